import type { Mode } from '@knapsack/core';

/** When an accessory is on. */
export type AccessoryRule =
  | { readonly when: 'always' }
  /** While operating, only in some modes where those are named. */
  | { readonly when: 'operating'; readonly modes?: readonly Mode[] }
  /** While operating, with another draw while the transmitter is on. */
  | { readonly when: 'transmitting'; readonly modes?: readonly Mode[] }
  /** From the end of evening twilight to the beginning of the morning's. */
  | {
      readonly when: 'dark';
      /** Minutes of every hour in white, of a lamp that has one colour besides; all in white if absent. */
      readonly white?: number;
    }
  /** While the air is at least so warm, C. */
  | { readonly when: 'warm'; readonly aboveC: number }
  /** So many minutes of every hour. */
  | { readonly when: 'minutes'; readonly anHour: number }
  /** Hours of its own, ascending. Times are ISO 8601 with an offset or Z. */
  | { readonly when: 'hours'; readonly hours: readonly { readonly start: string; readonly end: string }[] };

export const RULE_NAMES = [
  'always',
  'operating',
  'transmitting',
  'dark',
  'warm',
  'minutes',
  'hours',
] as const;

/** What is wrong with the hours of a rule, and at which of them; null where they end after they start and follow one another. */
export function ownHoursProblem(rule: AccessoryRule): { index: number; sentence: string } | null {
  if (rule.when !== 'hours') return null;
  const { hours } = rule;
  for (const [index, { start, end }] of hours.entries()) {
    if (Date.parse(end) <= Date.parse(start)) return { index, sentence: 'Hours must end after they start.' };
    if (index > 0 && Date.parse(start) < Date.parse(hours[index - 1].end)) {
      return { index, sentence: 'The hours of an accessory must follow one another.' };
    }
  }
  return null;
}
