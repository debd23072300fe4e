import type { KitLimits, Problem } from '@knapsack/core';
import type { Requirement } from '../documents/requirements.js';

/** Ways to lay out a panel that a search may try. */
export const SIZE_AIMS = {
  planned: 'as planned',
  flat: 'flat on the ground',
  propped: 'propped once, the best way',
  turned: 'turned to the sun every two hours',
} as const;

export type SizeAim = keyof typeof SIZE_AIMS;

/** What a search over the shelf is asked. */
export interface SizeOptions {
  /** Chance to reach the end that is asked for, above 0 and below 1. */
  readonly chance: number;
  /** Limits on battery, panel and controller together: g, money, litres, pieces. */
  readonly limits: KitLimits;
  /** Gear that is wished for is tried as well. */
  readonly wished: boolean;
  /** At least one. */
  readonly aims: readonly SizeAim[];
  /** A band on which nothing of it may be heard; any noise if absent. */
  readonly quietOn?: string;
  /** What a kit has to meet to be of interest; nothing if absent. */
  readonly requirements?: readonly Requirement[];
}

export const USUAL_SIZE_OPTIONS: SizeOptions = {
  chance: 0.9,
  limits: {},
  wished: false,
  aims: ['flat', 'propped'],
};

/** What is wrong with a question, in sentences; nothing where it can be asked. */
export function sizeProblems({ chance, limits, aims }: SizeOptions): readonly Problem[] {
  const problems: Problem[] = [];
  if (!(chance > 0 && chance < 1)) {
    const why =
      chance >= 1
        ? 'Nothing is certain outdoors: ask for less than 100 %, say 95 %.'
        : 'The target chance must be above 0 %, say 90 %.';
    problems.push({ code: 'chance', pointer: '/chance', sentence: why });
  }
  const words = { grams: 'weight', price: 'price', litres: 'volume', pieces: 'number of pieces' } as const;
  const { proof: _proof, ...numbers } = limits;
  for (const [name, limit] of Object.entries(numbers) as [keyof typeof words, number | undefined][]) {
    // A budget of nothing is one: what is owned counts nothing.
    const isEnough = limit === undefined || limit > 0 || (name === 'price' && limit === 0);
    if (!isEnough) {
      problems.push({
        code: 'limit',
        pointer: `/limits/${name}`,
        sentence: `The limit on the ${words[name]} must be above 0; leave it out for none.`,
      });
    }
  }
  if (aims.length === 0) {
    problems.push({
      code: 'aims',
      pointer: '/aims',
      sentence: 'Say at least one way in which a panel may lie.',
    });
  }
  return problems;
}
