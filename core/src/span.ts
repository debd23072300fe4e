/** A stretch of time, UTC epoch milliseconds, its end after its start. */
export interface Span {
  readonly startMs: number;
  readonly endMs: number;
}

export const HOUR_MS = 3_600_000;
export const MINUTE_MS = 60_000;

/** Length in hours. */
export const hoursOf = ({ startMs, endMs }: Span): number => (endMs - startMs) / HOUR_MS;

/** The part that two stretches share, or null where they share none. */
export function overlap(a: Span, b: Span): Span | null {
  const startMs = Math.max(a.startMs, b.startMs);
  const endMs = Math.min(a.endMs, b.endMs);
  return startMs < endMs ? { startMs, endMs } : null;
}
