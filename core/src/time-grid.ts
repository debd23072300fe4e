import type { Span } from './span.js';

/**
 * Step edges over an outing, UTC epoch milliseconds: every whole step from the start, the end, and
 * every edge of the given spans that falls inside, so that no step straddles one.
 *
 * @param stepMs step length, ms, above 0
 */
export function timeGrid(outing: Span, stepMs: number, spans: readonly Span[]): Float64Array {
  const { startMs, endMs } = outing;
  const inside = Float64Array.from(
    spans.flatMap((span) => [span.startMs, span.endMs]).filter((edge) => edge > startMs && edge < endMs),
  ).sort();
  const whole = Math.ceil((endMs - startMs) / stepMs);
  const edges = new Float64Array(whole + 1 + inside.length);
  let count = 0;
  let next = 0;
  for (let step = 0; step <= whole; step++) {
    const timeMs = step < whole ? startMs + step * stepMs : endMs;
    for (; next < inside.length && inside[next] <= timeMs; next++) {
      if (count === 0 || edges[count - 1] !== inside[next]) edges[count++] = inside[next];
    }
    if (count === 0 || edges[count - 1] !== timeMs) edges[count++] = timeMs;
  }
  return edges.slice(0, count);
}

/** The first step that begins at an instant or after it; found by halving, since a month has many steps. */
export function firstStepFrom(edgesMs: Float64Array, timeMs: number): number {
  let low = 0;
  let high = edgesMs.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (edgesMs[middle] < timeMs) low = middle + 1;
    else high = middle;
  }
  return low;
}
