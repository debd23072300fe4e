import type { Span } from '../span.js';

/**
 * Step edges over an outing, UTC epoch milliseconds: every whole step from the start, the end, and
 * every edge of the given spans that falls inside, so that no step straddles one.
 *
 * @param stepMs step length, ms, above 0
 */
export function timeGrid(outing: Span, stepMs: number, spans: readonly Span[]): Float64Array {
  const { startMs, endMs } = outing;
  const inside = spans
    .flatMap((span) => [span.startMs, span.endMs])
    .filter((edge) => edge > startMs && edge < endMs);
  const whole = Math.ceil((endMs - startMs) / stepMs);
  const edges = Float64Array.from({ length: whole + 1 + inside.length }, (_, index) =>
    index < whole ? startMs + index * stepMs : index === whole ? endMs : inside[index - whole - 1],
  ).sort();
  return edges.filter((edge, index) => index === 0 || edge !== edges[index - 1]);
}
