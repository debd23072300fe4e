import type { Gear, Trip } from '@knapsack/contract';
import { idealFigures, type IdealFigures } from '@knapsack/contract/size';
import type { Work } from './work';

export interface IdealQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly chance: number;
  readonly month: number;
}

/** The ideal figures as they come; null where the plan cannot be calculated. */
export const idealWork: Work<IdealQuestion, IdealFigures | null> = async (question, { say, isNewest }) => {
  const { trip, shelf, chance, month } = question;
  for (const figures of idealFigures(trip, shelf, chance, month)) {
    say(figures.ok ? figures.value : null, true);
    if (!(await isNewest())) return;
  }
};
