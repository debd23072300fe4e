import { HOUR_MS } from '../span.js';
import { aimsAt, misaimed, type AimError } from './aim.js';
import { clearSky, DAY_MS, dayOfYear, underCloud } from './clear-sky.js';
import { lightOn, type SunPlan } from './harvest.js';
import { sunPosition } from './position.js';
import { hiddenSky, shadedFraction, shadeLoss } from './shade.js';

/**
 * Where a sky stands in a light table: 0 for clear to {@link OVERCAST}, or {@link RAIN}, or {@link FOG}. The places lie dense towards a
 * closed sky, where an eighth more cloud takes the most light.
 */
export type SkyIndex = number;

export const OVERCAST = 12;
export const RAIN: SkyIndex = OVERCAST + 1;
export const FOG: SkyIndex = RAIN + 1;
const ROWS = FOG + 2;

/** The place of a cloud amount, 0 to 1. */
export const skyIndex = (cloud: number): SkyIndex => OVERCAST * (1 - Math.sqrt(1 - cloud));

/** The cloud amount of a place up to {@link OVERCAST}, 0 to 1. */
export const cloudAt = (sky: SkyIndex): number => 1 - (1 - sky / OVERCAST) ** 2;

/** Light on one panel in its place over the steps of a plan, under every sky that it may have. */
export interface LightTable {
  /** Steps in which the sun is up, ascending. */
  readonly sunny: Uint32Array;
  /** For each of them the hour of the plan, counted from the whole hour at or before its start. */
  readonly hour: Uint16Array;
  /** Light, W/m2, in rows: first all sunny steps under a clear sky, then under more and more cloud. */
  readonly light: Float32Array;
  /** Change of the light by the clear share of the sky for each standard deviation that the tilt, the azimuth is off: straight and squared part. */
  readonly tilt: Float32Array;
  readonly tiltSquared: Float32Array;
  readonly azimuth: Float32Array;
  readonly azimuthSquared: Float32Array;
}

/**
 * Makes the table of a panel's light: the sun, the sky and the shade of each step are calculated once, whatever is drawn
 * later.
 *
 * @param spread one standard deviation of the aim, degrees
 */
export function lightTable(plan: SunPlan, edgesMs: Float64Array, spread: AimError): LightTable {
  const startMs = edgesMs[0];
  const firstHour = Math.floor(startMs / HOUR_MS);
  const sunAt = (at: number) => sunPosition(at, plan.latitudeDeg, plan.longitudeDeg);
  const hidden = hiddenSky(plan.shade.horizon);
  const steps: number[] = [];
  const rows: number[][] = Array.from({ length: ROWS }, () => []);
  const bends: readonly [number[], number[], number[], number[]] = [[], [], [], []];
  let day = 0;
  let dayEndsMs = -Infinity;
  for (let step = 0; step + 1 < edgesMs.length; step++) {
    const timeMs = (edgesMs[step] + edgesMs[step + 1]) / 2;
    const sun = sunAt(timeMs);
    if (sun.altitudeDeg <= 0) continue;
    if (timeMs >= dayEndsMs) {
      day = dayOfYear(timeMs);
      dayEndsMs = (Math.floor(timeMs / DAY_MS) + 1) * DAY_MS;
    }
    const { turbidity = plan.turbidity } = plan.skyAt(timeMs);
    const clear = clearSky(sun.altitudeDeg, plan.heightM, turbidity, day);
    const open = 1 - shadeLoss(shadedFraction(plan.shade, timeMs, sun), plan.shade.sensitivity);
    const surroundings = { albedo: plan.albedo, open, hidden };
    const aims = aimsAt(plan.aim, timeMs, startMs, sunAt);
    steps.push(step);
    for (let row = 0; row < ROWS; row++) {
      const sky = underCloud(clear, sun.altitudeDeg, {
        cloud: cloudAt(Math.min(row, OVERCAST)),
        rainShare: row === RAIN ? 1 : 0,
        fog: row >= FOG,
      });
      rows[row].push(lightOn(aims, sky, sun, day, surroundings));
    }
    const straight = rows[0][rows[0].length - 1];
    const off = (tiltDeg: number, azimuthDeg: number): number => {
      if (straight <= 0 || (tiltDeg === 0 && azimuthDeg === 0)) return 0;
      const turned = aims.map((aim) => misaimed(aim, { tiltDeg, azimuthDeg }));
      return lightOn(turned, clear, sun, day, surroundings) / straight - 1;
    };
    [
      [off(spread.tiltDeg, 0), off(-spread.tiltDeg, 0)],
      [off(0, spread.azimuthDeg), off(0, -spread.azimuthDeg)],
    ].forEach(([plus, minus], which) => {
      bends[2 * which].push((plus - minus) / 2);
      bends[2 * which + 1].push((plus + minus) / 2);
    });
  }
  return {
    sunny: Uint32Array.from(steps),
    hour: Uint16Array.from(
      steps,
      (step) => Math.floor((edgesMs[step] + edgesMs[step + 1]) / 2 / HOUR_MS) - firstHour,
    ),
    light: Float32Array.from(rows.flat()),
    tilt: Float32Array.from(bends[0]),
    tiltSquared: Float32Array.from(bends[1]),
    azimuth: Float32Array.from(bends[2]),
    azimuthSquared: Float32Array.from(bends[3]),
  };
}

/**
 * Light on the panel in a step under a sky, W/m2.
 *
 * @param index of the sunny step
 * @param tilt, azimuth how far the panel lies off, standard deviations
 */
export function lightIn(
  table: LightTable,
  index: number,
  sky: SkyIndex,
  tilt: number,
  azimuth: number,
): number {
  const { light } = table;
  const count = table.sunny.length;
  const row = Math.floor(sky);
  const at = row * count + index;
  const there = light[at] + (sky - row) * (light[at + count] - light[at]);
  const clearShare = sky >= OVERCAST ? 0 : (1 - sky / OVERCAST) ** 2;
  const off =
    clearShare *
    (tilt * (table.tilt[index] + tilt * table.tiltSquared[index]) +
      azimuth * (table.azimuth[index] + azimuth * table.azimuthSquared[index]));
  return there * (1 + off);
}
