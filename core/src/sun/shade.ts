import { sinDeg } from './angles.js';
import type { Technology } from '../panel/panel.js';
import type { Span } from '../span.js';
import type { SunPosition } from './position.js';

/** A point of the skyline: how high it stands in a direction, degrees. */
export interface HorizonPoint {
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
}

/** Hours in which a share of the panel lies in shade. */
export interface ShadeSpan extends Span {
  /** Share of the panel, 0 to 1. */
  readonly fraction: number;
}

/** What stands between the sun and the panel. */
export interface Shade {
  /** Ascending by azimuth; none for an open horizon. */
  readonly horizon: readonly HorizonPoint[];
  readonly spans: readonly ShadeSpan[];
  /** What a shaded share costs: see {@link shadeSensitivity}. */
  readonly sensitivity: number;
}

/** Height of the skyline in a direction, degrees, straight between its points round the circle. */
export function skylineAt(horizon: readonly HorizonPoint[], azimuthDeg: number): number {
  const count = horizon.length;
  if (count === 0) return 0;
  if (count === 1) return horizon[0].elevationDeg;
  const after = horizon.findIndex((point) => point.azimuthDeg > azimuthDeg);
  const next = after === -1 ? horizon[0] : horizon[after];
  const last = after === -1 ? horizon[count - 1] : horizon[(after - 1 + count) % count];
  const around = (degrees: number) => ((degrees % 360) + 360) % 360;
  const gap = around(next.azimuthDeg - last.azimuthDeg);
  const share = gap === 0 ? 0 : around(azimuthDeg - last.azimuthDeg) / gap;
  return last.elevationDeg + share * (next.elevationDeg - last.elevationDeg);
}

/** Directions in which the hidden sky is looked at, degrees apart. */
const SKY_STEP_DEG = 5;

/** Share of the sky's even light that a skyline hides from the level: the mean of sin2 of its height over all directions. */
export function hiddenSky(horizon: readonly HorizonPoint[]): number {
  if (horizon.length === 0) return 0;
  let sum = 0;
  for (let azimuth = 0; azimuth < 360; azimuth += SKY_STEP_DEG) {
    sum += sinDeg(Math.max(0, skylineAt(horizon, azimuth))) ** 2;
  }
  return sum / (360 / SKY_STEP_DEG);
}

/** Share of the panel in shade at an instant, 0 to 1: all of it while the sun is behind the skyline. */
export function shadedFraction({ horizon, spans }: Shade, timeMs: number, sun: SunPosition): number {
  if (sun.altitudeDeg < skylineAt(horizon, sun.azimuthDeg)) return 1;
  return spans.reduce(
    (most, { startMs, endMs, fraction }) =>
      startMs <= timeMs && timeMs < endMs ? Math.max(most, fraction) : most,
    0,
  );
}

/** What a shaded share of a panel costs, times that share. Source: convention of this project, docs/model.md. */
export const shadeSensitivity = (technology: Technology, diodes: boolean): number =>
  technology === 'thin_film' ? 1 : diodes ? 1.5 : 2.5;

/** Share of the beam that shade costs: partial shade on one string costs more than its area. */
export const shadeLoss = (fraction: number, sensitivity: number): number =>
  Math.min(1, fraction * sensitivity);
