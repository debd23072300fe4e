import type { WireSays } from '@knapsack/contract/harness';
import type { Chance, Tornado } from '@knapsack/core';

/** What the chance worker answers: several times to one question, surer each time; null where the plan cannot be calculated. */
export interface ChanceAnswer {
  readonly chance: Chance | null;
  /** What Wire says of the plan; null where it cannot be calculated. */
  readonly wire: WireSays | null;
  /** What comes with the last answer: what matters most, by how much the typical sky is to be moved, and what would do. */
  readonly tornado: Tornado | null;
  readonly skyFactor?: number;
  readonly wouldDoAh?: number | null;
}
