import { MINUTE_MS, type Span } from '@knapsack/core';

/** The narrowest stretch of an outing that the lanes show. */
export const NARROWEST_MS = 15 * MINUTE_MS;

const lengthOf = ({ startMs, endMs }: Span): number => endMs - startMs;

/** A window kept within its outing and no narrower than can be read; null where it is all of the outing. */
export function fitted(window: Span | null, outing: Span): Span | null {
  if (!window) return null;
  const whole = lengthOf(outing);
  const length = Math.min(whole, Math.max(NARROWEST_MS, lengthOf(window)));
  if (length >= whole) return null;
  const startMs = Math.min(outing.endMs - length, Math.max(outing.startMs, window.startMs));
  return { startMs, endMs: startMs + length };
}

/**
 * The window with an instant held in its place while the rest draws near or away.
 *
 * @param times above 1 shows less and larger, below 1 more
 */
export function zoomed(window: Span | null, outing: Span, times: number, aroundMs: number): Span | null {
  const shown = window ?? outing;
  const length = Math.max(NARROWEST_MS, lengthOf(shown) / times);
  const share = (aroundMs - shown.startMs) / lengthOf(shown);
  const startMs = aroundMs - share * length;
  return fitted({ startMs, endMs: startMs + length }, outing);
}

/** The window moved along the outing by a share of its own width. */
export function panned(window: Span | null, outing: Span, byShare: number): Span | null {
  if (!window) return null;
  const by = byShare * lengthOf(window);
  return fitted({ startMs: window.startMs + by, endMs: window.endMs + by }, outing);
}
