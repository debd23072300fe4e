import type { Binding, Verdict } from '../forecast/verdict.js';
import { fixed, sayDuration, sayQuantity } from '../say/quantity.js';
import { sayTime } from '../say/time.js';
import type { Explained } from './explain.js';

/** A piece of the verdict sentence: words, or a figure that unfolds into its sum. */
export type SentencePart = string | { readonly text: string; readonly unfolds: Explained };

/** What each end point is called. */
export const BINDING_WORDS: Record<Binding, string> = {
  floor: 'the reserve',
  radioDropout: 'the radio’s drop-out voltage',
  cutoff: 'the battery’s cut-off',
};

/** The verdict in one sentence or three, times told in a time zone. */
export function verdictSentence(verdict: Verdict, zone: string): readonly SentencePart[] {
  const planEnd = sayTime(verdict.planEndMs, zone);
  const lowest: SentencePart = {
    text: sayQuantity({ value: verdict.lowestSoc, unit: 'share' }),
    unfolds: 'lowest',
  };
  const ampereHours = (value: number) => `${fixed(Math.abs(value), Math.abs(value) < 1 ? 2 : 1)} Ah`;
  if (verdict.plannedAh === 0) {
    return ['Nothing draws current yet. Draw a block of operating in the work lane.'];
  }
  if (verdict.endMs === null || verdict.binds === null) {
    const atEnd = verdict.lowestMs === verdict.planEndMs;
    return [
      'Lasts past ',
      { text: planEnd, unfolds: 'end' },
      ' with ',
      { text: ampereHours(verdict.marginAh), unfolds: 'margin' },
      ' to spare; lowest ',
      lowest,
      atEnd ? ' at the end.' : ` at ${sayTime(verdict.lowestMs, zone)}.`,
    ];
  }
  const tooSoon = `, ${sayDuration(-verdict.marginHours)} too soon: ${BINDING_WORDS[verdict.binds]} comes first`;
  const ends: SentencePart[] = ['Ends ', { text: sayTime(verdict.endMs, zone), unfolds: 'end' }];
  // Where the volts end it, charge is not what is missing.
  if (verdict.binds === 'radioDropout' && verdict.stopSoc !== null) {
    const left = sayQuantity({ value: verdict.stopSoc, unit: 'share' });
    return [...ends, tooSoon, ', with ', { text: left, unfolds: 'end' }, ' still in the pack.'];
  }
  return [
    ...ends,
    `${tooSoon}. `,
    { text: ampereHours(verdict.marginAh), unfolds: 'margin' },
    ' are missing.',
  ];
}

/** The same sentence as plain text. */
export const plainSentence = (parts: readonly SentencePart[]): string =>
  parts.map((part) => (typeof part === 'string' ? part : part.text)).join('');
