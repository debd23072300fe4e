import { HOUR_MS } from '../span.js';
import type { WeatherHourMs } from '../weather/weather-hour.js';
import type { Fold } from './proof.js';

/** A stretch of rain, UTC epoch ms. */
export interface Rain {
  readonly startMs: number;
  readonly endMs: number;
}

/** How long the last hour that is known holds, ms. */
const LAST_HOLDS_MS = HOUR_MS;

/**
 * The rain between two instants, ascending: hours of rain that follow one another are one stretch.
 *
 * @param hours ascending; each holds up to the next, the last for an hour
 */
export function rainBetween(
  hours: readonly WeatherHourMs[],
  startMs: number,
  endMs: number,
): readonly Rain[] {
  const found: Rain[] = [];
  hours.forEach(({ startMs: hourMs, rain }, index) => {
    const from = Math.max(hourMs, startMs);
    const to = Math.min(hours[index + 1]?.startMs ?? hourMs + LAST_HOLDS_MS, endMs);
    if (!rain || to <= from) return;
    const last = found.at(-1);
    if (last && last.endMs === from) found[found.length - 1] = { ...last, endMs: to };
    else found.push({ startMs: from, endMs: to });
  });
  return found;
}

/** Hours of rain in all. */
export const rainHours = (rain: readonly Rain[]): number =>
  rain.reduce((sum, { startMs, endMs }) => sum + (endMs - startMs), 0) / HOUR_MS;

/**
 * Share of its water that a thing in the open still holds, 0 to 1: all of it while it rains, then less and less in a straight
 * line over its hours to dry, 0 before the first rain. Source: convention of this project.
 *
 * @param dryH hours to dry in the air, 0 for what is shaken off
 */
export function waterLeft(rain: readonly Rain[], atMs: number, dryH: number): number {
  const last = rain.filter(({ startMs }) => startMs < atMs).at(-1);
  if (!last) return 0;
  const sinceH = (atMs - last.endMs) / HOUR_MS;
  if (sinceH <= 0) return 1;
  return Math.max(0, 1 - sinceH / dryH);
}

/** What a thing weighs with a share of its water in it, g. */
export const wetGrams = (dryG: number, wetG: number, share: number): number =>
  dryG + share * Math.max(0, wetG - dryG);

/**
 * What panels gain in rain where nobody has weighed one wet, as a share of what they weigh dry, and the hours that they take to
 * dry: cloth soaks, film is shaken off, glass is wiped. Source: convention of this project, assumed until typed over.
 */
export const USUAL_WETTING: Readonly<Record<Fold, { readonly gain: number; readonly dryH: number }>> = {
  folded: { gain: 0.12, dryH: 6 },
  rolled: { gain: 0.01, dryH: 0.5 },
  rigid: { gain: 0, dryH: 0 },
};
