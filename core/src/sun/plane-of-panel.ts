import { cosDeg, sinDeg } from './angles.js';
import { extraterrestrialNormal, type Irradiance } from './clear-sky.js';
import type { SunPosition } from './position.js';

/** How a panel lies: tilt from the horizontal, azimuth where it looks, clockwise from true north; degrees. */
export interface Aim {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
}

/** Light on the panel by where it comes from, W/m2. */
export interface PanelLight {
  /** From the sun itself, after the loss at slanting incidence. */
  readonly beam: number;
  /** From the bright sky around the sun. */
  readonly circumsolar: number;
  /** From the rest of the sky. */
  readonly isotropic: number;
  /** Off the ground. */
  readonly ground: number;
}

/** Least cosine of the zenith that the beam ratio divides by: that of 89 degrees. */
const LEAST_COS_ZENITH = 0.01745;

/** Cosine of the angle between the sun's rays and the panel's normal; negative when the sun is behind it. */
export function cosIncidence(sun: SunPosition, aim: Aim): number {
  return (
    sinDeg(sun.altitudeDeg) * cosDeg(aim.tiltDeg) +
    cosDeg(sun.altitudeDeg) * sinDeg(aim.tiltDeg) * cosDeg(sun.azimuthDeg - aim.azimuthDeg)
  );
}

/**
 * Light on a tilted panel: Hay and Davies (1980), Proc. First Canadian Solar Radiation Data Workshop, with the
 * incidence loss F = 1 - 0.05 (1 / cos - 1), not below 0, on the beam alone.
 *
 * @param albedo share of the light that the ground sends back, 0 to 1
 */
export function lightOnPanel(
  sky: Irradiance,
  sun: SunPosition,
  aim: Aim,
  day: number,
  albedo: number,
): PanelLight {
  const cosine = cosIncidence(sun, aim);
  const facing = Math.max(0, cosine);
  const anisotropy = sky.dni / extraterrestrialNormal(day);
  const beamRatio = facing / Math.max(sinDeg(sun.altitudeDeg), LEAST_COS_ZENITH);
  const cosTilt = cosDeg(aim.tiltDeg);
  const incidence = cosine > 0 ? Math.max(0, 1 - 0.05 * (1 / cosine - 1)) : 0;
  return {
    beam: sky.dni * facing * incidence,
    circumsolar: sky.dhi * anisotropy * beamRatio,
    isotropic: (sky.dhi * (1 - anisotropy) * (1 + cosTilt)) / 2,
    ground: (albedo * sky.ghi * (1 - cosTilt)) / 2,
  };
}

export const totalOf = ({ beam, circumsolar, isotropic, ground }: PanelLight): number =>
  beam + circumsolar + isotropic + ground;

/** Albedo of the ground by what lies there. Source: convention of this project, docs/model.md. */
export const GROUND_WORDS = { grass: 0.2, snow: 0.6, sand: 0.35, water: 0.08 } as const;

export type GroundWord = keyof typeof GROUND_WORDS;
