import type { Kit, TriedKit } from '@knapsack/core';
import type { BatteryPart } from './shelf-parts.js';

/** A kit of two batteries of which one alone is enough, with what that one has been tried to do. */
export interface SpareKit {
  readonly kit: Kit;
  /** The same kit with one of the two: what is left when the other fails at the start. */
  readonly alone: TriedKit;
}

/**
 * The lightest kit that survives the failure of a battery: two in parallel, each of which reaches the target chance alone. That the
 * other fails at the very start is the worst case.
 *
 * @param chance target, 0 to 1
 * @returns null where no single battery reaches it
 */
export function spareKit(
  tried: readonly TriedKit[],
  batteries: readonly BatteryPart[],
  chance: number,
): SpareKit | null {
  let lightest: SpareKit | null = null;
  for (const alone of tried) {
    if (alone.chance < chance) continue;
    const one = batteries[alone.kit.battery];
    const twin = batteries.findIndex(
      ({ items, use }) =>
        use === 'parallel' &&
        items.length === 1 &&
        items[0].gear === one.items[0].gear &&
        items[0].count === 2,
    );
    if (one.items[0].count !== 1 || twin === -1) continue;
    const more = (of: 'grams' | 'price' | 'litres'): number | null => {
      const [whole, single, two] = [alone.kit[of], one[of], batteries[twin][of]];
      return whole === null || single === null || two === null ? null : whole - single + two;
    };
    const grams = more('grams');
    if (grams === null || (lightest && lightest.kit.grams <= grams)) continue;
    const kit: Kit = {
      ...alone.kit,
      battery: twin,
      grams,
      price: more('price'),
      litres: more('litres'),
      pieces: alone.kit.pieces + 1,
    };
    lightest = { kit, alone };
  }
  return lightest;
}
