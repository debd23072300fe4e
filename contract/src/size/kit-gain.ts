import { sayQuantity } from '@knapsack/core';

/** A kit, or the battery, panel and controller in the bag, as they are held against each other. */
export interface Held {
  /** What it weighs, g. */
  readonly grams: number;
  /** The chance that the outing lasts with it, 0 to 1; null while it is not known. */
  readonly chance: number | null;
}

/** Differences that are not told: scales and samples say less. */
const LEAST_G = 10;
const LEAST_OF_100 = 1;

/**
 * What one would gain by a kit, and carry for it: "21 of 100 surer and 1.22 kg heavier than what is in the bag"; empty where
 * nothing is in the bag, or nothing differs.
 */
export function sayGain(kit: Held, bag: Held): string {
  if (bag.grams === 0) return '';
  const more = kit.grams - bag.grams;
  const surer = kit.chance === null || bag.chance === null ? 0 : Math.round((kit.chance - bag.chance) * 100);
  const words = [
    ...(Math.abs(surer) < LEAST_OF_100
      ? []
      : [`${Math.abs(surer)} of 100 ${surer > 0 ? 'surer' : 'less sure'}`]),
    ...(Math.abs(more) < LEAST_G
      ? []
      : [`${sayQuantity({ value: Math.abs(more), unit: 'g' })} ${more > 0 ? 'heavier' : 'lighter'}`]),
  ];
  return words.length === 0 ? '' : `${words.join(' and ')} than what is in the bag`;
}
