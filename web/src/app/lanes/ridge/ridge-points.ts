import type { Span } from '@knapsack/core';

export interface RidgePoint {
  readonly x: number;
  readonly y: number;
}

/**
 * The points of a line over the visible stretch, one beyond each end of it. Where there are far more than pixels, each
 * column keeps its first, lowest, highest and last, so that no dip is lost.
 */
export function ridgePoints(
  edgesMs: Float64Array,
  values: Float64Array,
  { startMs, endMs }: Span,
  columns: number,
): RidgePoint[] {
  let first = 0;
  while (first + 1 < edgesMs.length && edgesMs[first + 1] <= startMs) first++;
  let last = edgesMs.length - 1;
  while (last > first && edgesMs[last - 1] >= endMs) last--;
  const point = (edge: number): RidgePoint => ({ x: edgesMs[edge], y: values[edge] });
  if (last - first < 4 * columns) {
    return Array.from({ length: last - first + 1 }, (_, at) => point(first + at));
  }
  const points: RidgePoint[] = [];
  const perMs = columns / (endMs - startMs);
  for (let edge = first; edge <= last;) {
    const column = Math.floor((edgesMs[edge] - startMs) * perMs);
    let [low, high, end] = [edge, edge, edge];
    for (; end + 1 <= last && Math.floor((edgesMs[end + 1] - startMs) * perMs) === column; end++) {
      if (values[end + 1] < values[low]) low = end + 1;
      if (values[end + 1] > values[high]) high = end + 1;
    }
    const kept = [...new Set([edge, Math.min(low, high), Math.max(low, high), end])];
    for (const at of kept) points.push(point(at));
    edge = end + 1;
  }
  return points;
}

/** A line in two at an instant, which both have; the second is empty where the line ends before. */
export function splitAt(points: readonly RidgePoint[], timeMs: number): [RidgePoint[], RidgePoint[]] {
  const at = points.findIndex(({ x }) => x >= timeMs);
  if (at === -1) return [[...points], []];
  if (at === 0) return [[], [...points]];
  const [before, after] = [points[at - 1], points[at]];
  const share = (timeMs - before.x) / (after.x - before.x);
  const cut = { x: timeMs, y: before.y + share * (after.y - before.y) };
  return [
    [...points.slice(0, at), cut],
    [cut, ...points.slice(at)],
  ];
}
