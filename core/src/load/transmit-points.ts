import { beats, type Source, type Trust } from '../source.js';
import type { TransmitPoint } from './transmit-current.js';

/** A transmit figure as the shelf holds it, with where it comes from. */
export interface SourcedPoint extends TransmitPoint {
  readonly source: Source;
}

/** The same with how far it is to be believed; its spread is a share of the current. */
export type TrustedPoint = TransmitPoint & Trust;

/**
 * The transmit points to calculate with: ascending by power, and where several stand for one power the
 * best-founded (learned before measured before datasheet before assumed).
 */
export function bestPoints<Point extends SourcedPoint>(points: readonly Point[]): Point[] {
  const byPower = new Map<number, Point>();
  for (const point of points) {
    const known = byPower.get(point.rfW);
    if (!known || beats(point.source, known.source)) byPower.set(point.rfW, point);
  }
  return [...byPower.values()].sort((a, b) => a.rfW - b.rfW);
}

/** How far the key-down current at a power is to be believed: as its nearest point is. */
export const trustAt = (points: readonly TrustedPoint[], powerW: number): Trust =>
  bestPoints(points).reduce((near, point) =>
    Math.abs(Math.sqrt(point.rfW) - Math.sqrt(powerW)) < Math.abs(Math.sqrt(near.rfW) - Math.sqrt(powerW))
      ? point
      : near,
  );
