import { beats, type Source } from '../source.js';
import type { TransmitPoint } from './transmit-current.js';

/** A transmit figure as the shelf holds it, with where it comes from. */
export interface SourcedPoint extends TransmitPoint {
  readonly source: Source;
}

/**
 * The transmit points to reckon with: ascending by power, and where several stand for one power the
 * best-founded (measured before learned before datasheet before assumed).
 */
export function bestPoints(points: readonly SourcedPoint[]): SourcedPoint[] {
  const byPower = new Map<number, SourcedPoint>();
  for (const point of points) {
    const known = byPower.get(point.rfW);
    if (!known || beats(point.source, known.source)) byPower.set(point.rfW, point);
  }
  return [...byPower.values()].sort((a, b) => a.rfW - b.rfW);
}
