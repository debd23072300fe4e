import type { Readings } from '@knapsack/core';

/** Lowest and highest reading of each column of a drawing. */
export interface TraceColumns {
  readonly low: Float64Array;
  readonly high: Float64Array;
}

/** A trace thinned to as many columns as the drawing is wide: no peak is lost, however long the recording. */
export function traceColumns({ timesMs, amps }: Readings, width: number): TraceColumns {
  const low = new Float64Array(width).fill(NaN);
  const high = new Float64Array(width).fill(NaN);
  const count = timesMs.length;
  if (count === 0) return { low, high };
  const startMs = timesMs[0];
  const lengthMs = Math.max(1, timesMs[count - 1] - startMs);
  for (let index = 0; index < count; index++) {
    const column = Math.min(width - 1, Math.floor(((timesMs[index] - startMs) / lengthMs) * width));
    const value = amps[index];
    if (!(low[column] <= value)) low[column] = value;
    if (!(high[column] >= value)) high[column] = value;
  }
  return { low, high };
}

/** The instant at a share of a trace's width, ms. */
export function instantAt({ timesMs }: Readings, share: number): number {
  if (timesMs.length === 0) return 0;
  const inside = Math.min(1, Math.max(0, share));
  return timesMs[0] + inside * (timesMs[timesMs.length - 1] - timesMs[0]);
}
