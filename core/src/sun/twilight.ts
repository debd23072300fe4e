import { MINUTE_MS, type Span } from '../span.js';
import { sunPosition } from './position.js';

/** Apparent altitude of the sun's centre when its upper edge stands on a level horizon, degrees. */
export const RISE_AND_SET_DEG = -0.27;
/** The end of civil twilight, degrees: below it one cannot read outdoors without a lamp. */
export const DARK_DEG = -6;

const EVERY_MS = 20 * MINUTE_MS;
const EXACT_MS = 1000;

/** The sun passing an altitude. */
export interface SunCrossing {
  readonly timeMs: number;
  readonly rising: boolean;
}

interface Site {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/**
 * When the sun passes an apparent altitude within a stretch of time, to the second; none in the polar day or night. A
 * sun that stays above for less than 20 minutes may be missed.
 * Source of the position: the suncalc package, version 2.
 */
export function sunCrossings({ startMs, endMs }: Span, site: Site, altitudeDeg: number): SunCrossing[] {
  const isUp = (timeMs: number) =>
    sunPosition(timeMs, site.latitudeDeg, site.longitudeDeg).altitudeDeg > altitudeDeg;
  const crossings: SunCrossing[] = [];
  let fromMs = startMs;
  let wasUp = isUp(startMs);
  while (fromMs < endMs) {
    const toMs = Math.min(fromMs + EVERY_MS, endMs);
    const nowUp = isUp(toMs);
    if (nowUp !== wasUp) {
      let [low, high] = [fromMs, toMs];
      while (high - low > EXACT_MS) {
        const middle = (low + high) / 2;
        if (isUp(middle) === wasUp) low = middle;
        else high = middle;
      }
      crossings.push({ timeMs: Math.round(high / EXACT_MS) * EXACT_MS, rising: nowUp });
    }
    [fromMs, wasUp] = [toMs, nowUp];
  }
  return crossings;
}

/** The dark stretches of an outing, the sun more than 6 degrees down. */
export function darkSpans(outing: Span, site: Site): Span[] {
  const edges = sunCrossings(outing, site, DARK_DEG).filter(
    ({ timeMs }) => timeMs > outing.startMs && timeMs < outing.endMs,
  );
  const startsDark = sunPosition(outing.startMs, site.latitudeDeg, site.longitudeDeg).altitudeDeg <= DARK_DEG;
  const spans: Span[] = [];
  let since = startsDark ? outing.startMs : null;
  for (const { timeMs, rising } of edges) {
    if (!rising) since = timeMs;
    else if (since !== null) {
      spans.push({ startMs: since, endMs: timeMs });
      since = null;
    }
  }
  if (since !== null) spans.push({ startMs: since, endMs: outing.endMs });
  return spans;
}
