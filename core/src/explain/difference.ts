import type { Verdict } from '../forecast/verdict.js';
import { fixed, sayDuration, sayQuantity } from '../say/quantity.js';
import { sayTime } from '../say/time.js';
import { HOUR_MS } from '../span.js';

/** Changes smaller than these are not worth a word: an end by a minute, charge by a hundredth of an Ah, a level by half a percent. */
const LEAST = { hours: 1 / 60, ampereHours: 0.005, soc: 0.005 } as const;

/** A number with its sign, a true minus for less. */
export const signed = (value: number, text: string): string => `${value < 0 ? '−' : '+'}${text}`;

/**
 * What a change does to a plan's verdict, a few words each: its end, what is to spare, its lowest charge. Empty where it
 * does nothing that one would notice.
 *
 * @param zone IANA name of the time zone that instants are told in
 */
export function sayDifference(before: Verdict, after: Verdict, zone: string): readonly string[] {
  const words: string[] = [];
  if (before.endMs !== null && after.endMs !== null) {
    const hours = (after.endMs - before.endMs) / HOUR_MS;
    if (Math.abs(hours) >= LEAST.hours) {
      words.push(`ends ${sayDuration(Math.abs(hours))} ${hours < 0 ? 'earlier' : 'later'}`);
    }
  } else if (before.endMs !== null) words.push('lasts now');
  else if (after.endMs !== null) words.push(`ends ${sayTime(after.endMs, zone)} now`);
  else {
    const ampereHours = after.marginAh - before.marginAh;
    if (Math.abs(ampereHours) >= LEAST.ampereHours) {
      const size = Math.abs(ampereHours);
      words.push(`${signed(ampereHours, fixed(size, size < 1 ? 2 : 1))} Ah to spare`);
    }
  }
  if (Math.abs(after.lowestSoc - before.lowestSoc) >= LEAST.soc) {
    const percent = (value: number) => sayQuantity({ value, unit: 'share' });
    words.push(`lowest ${percent(after.lowestSoc)} instead of ${percent(before.lowestSoc)}`);
  }
  return words;
}
