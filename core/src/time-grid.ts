import { firstFrom } from './ascending.js';
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

/** The first step that begins at an instant or after it; the number of steps where none does. */
export const firstStepFrom = (edgesMs: ArrayLike<number>, timeMs: number): number =>
  Math.min(firstFrom(edgesMs, timeMs), edgesMs.length - 1);

/** The step that ends at or first after an instant, UTC epoch ms; the first and the last beyond the ends. */
export const stepBefore = (edgesMs: ArrayLike<number>, timeMs: number): number =>
  within(edgesMs, firstFrom(edgesMs, timeMs) - 1);

/** The step that an instant falls into or begins, UTC epoch ms; the first and the last beyond the ends. */
export function stepAt(edgesMs: ArrayLike<number>, timeMs: number): number {
  const edge = firstFrom(edgesMs, timeMs);
  return within(edgesMs, edgesMs[edge] === timeMs ? edge : edge - 1);
}

/** What is known at the edges of steps, at an instant: straight within its step, held beyond the ends. */
export function valueAt(edgesMs: ArrayLike<number>, values: ArrayLike<number>, timeMs: number): number {
  const step = stepBefore(edgesMs, timeMs);
  const share = (timeMs - edgesMs[step]) / (edgesMs[step + 1] - edgesMs[step]);
  return values[step] + Math.min(1, Math.max(0, share)) * (values[step + 1] - values[step]);
}

const within = ({ length }: ArrayLike<number>, step: number): number =>
  Math.min(length - 2, Math.max(0, step));
