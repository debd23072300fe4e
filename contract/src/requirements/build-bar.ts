import type { Reason, Trial } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Requirement } from '../documents/requirements.js';
import type { Trip } from '../documents/trip.js';
import { heldAgainst } from './held-against.js';
import { MEASURE_RULES } from './measures.js';

/** How the rule of a requirement begins. */
export const BUILD_RULE = 'the next build';

/**
 * The first requirement of the next build that a kit of a search does not meet, or null; one that is not known of it is not
 * met. The chance is that of the search itself, on the samples of all kits.
 *
 * @param trip with the kit in its bag
 */
export function buildBar(
  requirements: readonly Requirement[],
  trip: Trip,
  shelf: readonly Gear[],
  { wins, tried }: Pick<Trial, 'wins' | 'tried'>,
): Reason | null {
  for (const requirement of requirements) {
    const { measure, target, band } = requirement;
    const { label, say, yesNo } = MEASURE_RULES[measure];
    const asked = `${label}${band ? `, ${band}` : ''}${yesNo ? '' : `: ${say(target)}`}`;
    const rule = `${BUILD_RULE}, “${asked}”`;
    if (measure === 'chance') {
      if (wins / tried < target && say(wins / tried) !== say(target))
        return { rule, sentence: `It lasts in ${say(wins / tried)}.` };
      continue;
    }
    const { isMet, words } = heldAgainst(requirement, { name: '', trip }, shelf);
    if (isMet === null) return { rule, sentence: 'Of this kit it is not known.' };
    if (!isMet) return { rule, sentence: yesNo ? 'Nothing in it does.' : `It has ${words}.` };
  }
  return null;
}
