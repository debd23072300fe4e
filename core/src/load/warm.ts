import { HOUR_MS, type Span } from '../span.js';

/**
 * Stretches of an outing in which the air is at least so warm, to the hour. Source: convention of this project.
 *
 * @param airC air temperature at an instant, C
 */
export function warmSpans(
  { startMs, endMs }: Span,
  airC: (timeMs: number) => number,
  aboveC: number,
): readonly Span[] {
  const spans: { startMs: number; endMs: number }[] = [];
  for (let fromMs = startMs; fromMs < endMs; fromMs = nextHour(fromMs)) {
    if (airC(fromMs) < aboveC) continue;
    const untilMs = Math.min(endMs, nextHour(fromMs));
    const last = spans.at(-1);
    if (last?.endMs === fromMs) last.endMs = untilMs;
    else spans.push({ startMs: fromMs, endMs: untilMs });
  }
  return spans;
}

const nextHour = (timeMs: number): number => (Math.floor(timeMs / HOUR_MS) + 1) * HOUR_MS;
