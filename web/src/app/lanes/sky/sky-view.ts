import { skyOf, type Trip } from '@knapsack/contract';
import { foggyHours, hourOf } from '@knapsack/contract/edits';
import { MINUTE_MS, sunPosition, type Span } from '@knapsack/core';

/** The sky over the outing, at its own even steps; null where the place is not known. */
export interface SkyView {
  readonly timesMs: Float64Array;
  readonly sunAltitudeDeg: Float64Array;
  readonly cloud: Float64Array;
  readonly airC: Float64Array;
  readonly windMS: Float64Array;
  /** What closes the sky, where fog or rain does. */
  readonly closed: readonly ('fog' | 'rain' | null)[];
}

/** Finest step of the drawing, and the most steps it takes. */
const LEAST_STEP_MS = 10 * MINUTE_MS;
const MOST_STEPS = 720;

/** Sun height and cloud over the outing, for the drawing; null where the place is not known. */
export function skyView(
  trip: Pick<Trip, 'place' | 'weather' | 'start' | 'temperatureC'>,
  { startMs, endMs }: Span,
): SkyView | null {
  const { latitudeDeg, longitudeDeg } = trip.place;
  if (latitudeDeg === undefined || longitudeDeg === undefined) return null;
  const skyAt = skyOf(trip);
  const foggy = foggyHours(trip);
  const steps = Math.max(1, Math.min(MOST_STEPS, Math.ceil((endMs - startMs) / LEAST_STEP_MS)));
  const timesMs = Float64Array.from(
    { length: steps + 1 },
    (_, step) => startMs + ((endMs - startMs) * step) / steps,
  );
  // The end belongs to the hour before it.
  const skies = Array.from(timesMs, (timeMs) => skyAt(Math.min(timeMs, endMs - 1)));
  return {
    timesMs,
    sunAltitudeDeg: timesMs.map((timeMs) => sunPosition(timeMs, latitudeDeg, longitudeDeg).altitudeDeg),
    cloud: Float64Array.from(skies, ({ cloud, rain }) => (rain ? 1 : cloud)),
    airC: Float64Array.from(skies, (sky) => sky.airC),
    windMS: Float64Array.from(skies, (sky) => sky.windMS),
    closed: skies.map(({ rain }, step) => (rain ? 'rain' : foggy.has(hourOf(timesMs[step])) ? 'fog' : null)),
  };
}
