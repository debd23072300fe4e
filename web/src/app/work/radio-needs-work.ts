import type { Gear, Radio, Trip } from '@knapsack/contract';
import { radioNeeds, type RadioNeed } from '@knapsack/contract/gear';
import type { Work } from './work';

export interface RadioNeedsQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly radios: readonly Radio[];
}

/** What each radio needs for the same outing, as they come. */
export const radioNeedsWork: Work<RadioNeedsQuestion, readonly RadioNeed[]> = async (
  { trip, shelf, radios },
  { say, isNewest },
) => {
  const needs: RadioNeed[] = [];
  for (const need of radioNeeds(trip, shelf, radios)) {
    needs.push(need);
    say([...needs], needs.length < radios.length);
    if (!(await isNewest())) return;
  }
};
