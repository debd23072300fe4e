import type { Gear, Trip } from '@knapsack/contract';
import { rationOf, type RationOptions } from '@knapsack/contract/size';
import type { Ration, Result } from '@knapsack/core';
import type { Work } from './work';

export interface RationQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly options: RationOptions;
}

/** How the energy of a bag is best spent. */
export const rationWork: Work<RationQuestion, Result<Ration>> = ({ trip, shelf, options }, { say }) =>
  say(rationOf(trip, shelf, options));
