import { targetOf } from '@knapsack/contract';
import { rationFromHere, whatNow } from '@knapsack/contract/field';
import { rationRules, sayRationOdds, USUAL_RATION_OPTIONS, type RationRule } from '@knapsack/contract/size';
import type { FieldQuestion } from './field-protocol';
import type { Work } from './work';

/** How to spend what is left, in words. */
export type FieldRation =
  | { readonly ok: true; readonly odds: readonly string[]; readonly rules: readonly RationRule[] }
  | { readonly ok: false; readonly why: string };

/** The ration from here: by the hour and the charge, power and duty cycle. */
export const fieldRationWork: Work<FieldQuestion, FieldRation> = ({ trip, log, shelf, nowMs }, { say }) => {
  const now = whatNow(trip, log, shelf, nowMs);
  const found = now.ok
    ? rationFromHere(trip, now.value, { ...USUAL_RATION_OPTIONS, chance: targetOf(trip) })
    : now;
  say(
    found.ok
      ? {
          ok: true,
          odds: sayRationOdds(found.value, false),
          // What holds on is told once.
          rules: rationRules(found.value, trip.place.timeZone).filter(
            ({ words }, index, rules) => words !== rules[index - 1]?.words,
          ),
        }
      : { ok: false, why: found.problems[0].sentence },
  );
};
