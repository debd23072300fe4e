import { firstFrom } from '../ascending.js';
import { HOUR_MS, type Span } from '../span.js';

/** A charger that is on during an outing: on the mains, in a vehicle on the way, on a generator. */
export interface PlannedFeed extends Span {
  /** The charger, for example "2 × Ebb 10". */
  readonly name: string;
  /** What it gives at the battery as long as something takes it, A. */
  readonly amps: number;
}

/**
 * What chargers give in each step, A: the loads take it first, the rest charges; null where none is on. A charger gives its full
 * current until the battery takes less. Source: convention of this project, docs/model.md.
 *
 * @param edgesMs ascending, UTC epoch ms; no step straddles an edge of a feed
 */
export function fedAmps(feeds: readonly PlannedFeed[], edgesMs: Float64Array): Float64Array | null {
  if (feeds.length === 0) return null;
  const fed = new Float64Array(edgesMs.length - 1);
  for (const { startMs, endMs, amps } of feeds) {
    for (let step = firstFrom(edgesMs, startMs); step < fed.length && edgesMs[step] < endMs; step++)
      fed[step] += amps;
  }
  return fed;
}

/** What is given over all steps, Ah. */
export const fedAh = (fed: Float64Array, edgesMs: Float64Array): number =>
  fed.reduce((sum, amps, step) => sum + (amps * (edgesMs[step + 1] - edgesMs[step])) / HOUR_MS, 0);
