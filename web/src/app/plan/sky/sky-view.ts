import { skyOf, type Place, type Weather } from '@knapsack/contract';
import { MINUTE_MS, sunPosition, type Span } from '@knapsack/core';

/** The sky over the outing, at its own even steps; null where the place is not known. */
export interface SkyView {
  readonly timesMs: Float64Array;
  readonly sunAltitudeDeg: Float64Array;
  readonly cloud: Float64Array;
}

/** Finest step of the drawing, and the most steps it takes. */
const LEAST_STEP_MS = 10 * MINUTE_MS;
const MOST_STEPS = 720;

/** Sun height and cloud over the outing, for the drawing; null where the place is not known. */
export function skyView(place: Place, weather: Weather, { startMs, endMs }: Span): SkyView | null {
  const { latitudeDeg, longitudeDeg } = place;
  if (latitudeDeg === undefined || longitudeDeg === undefined) return null;
  const skyAt = skyOf(weather, 0);
  const steps = Math.max(1, Math.min(MOST_STEPS, Math.ceil((endMs - startMs) / LEAST_STEP_MS)));
  const timesMs = Float64Array.from(
    { length: steps + 1 },
    (_, step) => startMs + ((endMs - startMs) * step) / steps,
  );
  return {
    timesMs,
    sunAltitudeDeg: timesMs.map((timeMs) => sunPosition(timeMs, latitudeDeg, longitudeDeg).altitudeDeg),
    cloud: timesMs.map((timeMs) => {
      const { cloud, rain } = skyAt(timeMs);
      return rain ? 1 : cloud;
    }),
  };
}
