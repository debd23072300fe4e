import type { Gear, Trip } from '@knapsack/contract';
import { beginTrip, TEMPLATES, tripFrom, type Beginning, type Begun } from '@knapsack/contract/begin';
import { typicalGear } from '@knapsack/contract/typical';
import { habits } from '@knapsack/core';
import type { Work } from './work';

/** A trip is wanted, out of a sentence or of a kind of outing by its name. */
export interface BeginQuestion {
  readonly from: Beginning | { readonly template: string };
  readonly shelf: readonly Gear[];
  readonly empty: Trip;
  readonly nowMs: number;
}

/** The trip with what its bag needs of typical gear; looks for a battery that lasts, which takes a while. Null for no kind of outing. */
export const beginWork: Work<BeginQuestion, Omit<Begun, 'lasts' | 'unmet'> | null> = (question, { say }) => {
  const { from, shelf, empty, nowMs } = question;
  if ('site' in from) return say(beginTrip(from, shelf, typicalGear(habits().currency), empty));
  const template = TEMPLATES.find(({ name }) => name === from.template);
  say(template ? tripFrom(template, shelf, empty, nowMs, typicalGear(habits().currency)) : null);
};
