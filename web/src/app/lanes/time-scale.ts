import type { Span } from '@knapsack/core';

/** Where an instant stands on the time axis that all lanes share, as a share of its width. */
export const fractionAt = ({ startMs, endMs }: Span, timeMs: number): number =>
  (timeMs - startMs) / (endMs - startMs);

/** The instant at a share of the axis, kept within it. */
export const instantAt = ({ startMs, endMs }: Span, share: number): number =>
  startMs + Math.min(1, Math.max(0, share)) * (endMs - startMs);

/** Hours between the marks of the axis: as many marks as can be read, at whole divisions of the day. */
export function markHours(spanMs: number, widthPx: number, leastPx = 46): number {
  const hours = spanMs / 3_600_000;
  const most = Math.max(1, widthPx / leastPx);
  return [0.25, 0.5, 1, 2, 3, 6, 12, 24, 48, 96].find((every) => hours / every <= most) ?? 168;
}
