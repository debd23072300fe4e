import type { Chance, Tornado } from '@knapsack/core';

/** What the chance worker answers: several times to one question, surer each time; null where the plan cannot be reckoned. */
export interface ChanceAnswer {
  readonly chance: Chance | null;
  /** Comes with the last answer. */
  readonly tornado: Tornado | null;
}
