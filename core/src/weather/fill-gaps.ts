import { HOUR_MS, type Span } from '../span.js';
import type { UsualSky } from './climate.js';
import type { WeatherHourMs } from './weather-hour.js';

/** A forecast without gaps, and where it had some. */
export interface FilledWeather {
  readonly hours: readonly WeatherHourMs[];
  /** Stretches of the outing that the forecast said nothing about. */
  readonly gaps: readonly Span[];
}

/** A forecast's usual step is followed up to this, h; a longer silence is a gap. */
const LONGEST_STEP_HOURS = 6;

/**
 * Fills what a forecast leaves out of an outing with what is usual. A forecast in steps of three hours has no gaps: each
 * figure holds for the forecast's own usual step, six hours at the most.
 *
 * @param hours ascending
 * @param usual what is usual at an instant
 */
export function fillGaps(
  hours: readonly WeatherHourMs[],
  outing: Span,
  usual: (timeMs: number) => UsualSky,
): FilledWeather {
  const stepMs = usualStep(hours);
  const filled: WeatherHourMs[] = [];
  const gaps: Span[] = [];
  const fill = (startMs: number, endMs: number) => {
    const from = Math.max(startMs, outing.startMs);
    const to = Math.min(endMs, outing.endMs);
    if (from >= to) return;
    gaps.push({ startMs: from, endMs: to });
    for (let timeMs = from; timeMs < to; timeMs += HOUR_MS) {
      filled.push({ startMs: timeMs, rain: false, ...usual(timeMs) });
    }
  };

  let knownTo = -Infinity;
  for (const hour of hours) {
    if (hour.startMs > knownTo) fill(knownTo, hour.startMs);
    filled.push(hour);
    knownTo = hour.startMs + stepMs;
  }
  fill(knownTo, outing.endMs);
  return { hours: cut(filled, outing), gaps };
}

/** The middle one of a forecast's steps, ms; an hour where there is but one figure. */
function usualStep(hours: readonly WeatherHourMs[]): number {
  const steps = hours.slice(1).map(({ startMs }, index) => startMs - hours[index].startMs);
  steps.sort((a, b) => a - b);
  const middle = steps[Math.floor(steps.length / 2)] ?? HOUR_MS;
  return Math.min(Math.max(middle, HOUR_MS), LONGEST_STEP_HOURS * HOUR_MS);
}

/** Only what touches the outing: from the last hour before its start. */
function cut(hours: readonly WeatherHourMs[], { startMs, endMs }: Span): WeatherHourMs[] {
  const first = Math.max(
    0,
    hours.findLastIndex((hour) => hour.startMs <= startMs),
  );
  return hours.slice(first).filter((hour) => hour.startMs < endMs);
}
