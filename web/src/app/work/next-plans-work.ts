import type { Gear, Trip } from '@knapsack/contract';
import { nextPlans, type NextPlan } from '@knapsack/contract/debrief';
import type { Work } from './work';

export interface NextPlansQuestion {
  readonly trips: readonly Trip[];
  /** Without and with what was learned. */
  readonly shelf: readonly Gear[];
  readonly taught: readonly Gear[];
}

/** What plans come to with what an outing has taught. */
export const nextPlansWork: Work<NextPlansQuestion, readonly NextPlan[]> = (
  { trips, shelf, taught },
  { say },
) => say(nextPlans(trips, shelf, taught));
