import type { Gear, Trip } from '@knapsack/contract';
import type { LeftBehind } from '@knapsack/contract/what-if';
import type { Odds } from '@knapsack/core';

export interface PackingQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  /** Ids of the gear that would stay at home. */
  readonly without: readonly string[];
}

export interface PackingAnswer {
  readonly left: LeftBehind;
  /** How often it finishes then, and as packed; null where it cannot be calculated. */
  readonly odds: Odds | null;
  readonly oddsPacked: Odds | null;
}
