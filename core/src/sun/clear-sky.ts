import { sinDeg } from './angles.js';

/** Irradiance, W/m2: on the level, straight at the sun, from the sky on the level. */
export interface Irradiance {
  readonly ghi: number;
  readonly dni: number;
  readonly dhi: number;
}

export const DARK: Irradiance = { ghi: 0, dni: 0, dhi: 0 };

const SOLAR_CONSTANT_W_M2 = 1361.1;
export const DAY_MS = 86_400_000;

/** Day of the year, UTC, 1 for the first of January. */
export function dayOfYear(timeMs: number): number {
  return Math.floor((timeMs - Date.UTC(new Date(timeMs).getUTCFullYear(), 0, 1)) / DAY_MS) + 1;
}

/** Irradiance outside the atmosphere, straight at the sun, W/m2: larger in January, when the sun is near. */
export const extraterrestrialNormal = (day: number): number =>
  SOLAR_CONSTANT_W_M2 * (1 + 0.033 * Math.cos((2 * Math.PI * day) / 365));

/**
 * Air mass in units of the column overhead, less at height for the thinner air.
 * Source: Kasten and Young (1989), Applied Optics 28, 4735; pressure ratio exp(-h / 8434.5).
 *
 * @param altitudeDeg apparent altitude, 0 to 90
 * @param heightM above the sea, m
 */
export function airMass(altitudeDeg: number, heightM: number): number {
  const relative = 1 / (sinDeg(altitudeDeg) + 0.50572 * (altitudeDeg + 6.07995) ** -1.6364);
  return relative * Math.exp(-heightM / 8434.5);
}

/**
 * Irradiance under a cloudless sky. Source: Ineichen and Perez (2002), Solar Energy 73, 151.
 *
 * @param altitudeDeg apparent altitude of the sun; nothing comes at 0 or below
 * @param heightM above the sea, m
 * @param turbidity Linke turbidity of the air, 2 (mountain-clear) to 6 (smoke)
 * @param day of the year, 1 to 366
 */
export function clearSky(altitudeDeg: number, heightM: number, turbidity: number, day: number): Irradiance {
  if (altitudeDeg <= 0) return DARK;
  const cosZenith = sinDeg(altitudeDeg);
  const outside = extraterrestrialNormal(day);
  const mass = airMass(altitudeDeg, heightM);
  const fh1 = Math.exp(-heightM / 8000);
  const fh2 = Math.exp(-heightM / 1250);
  const cg1 = 5.09e-5 * heightM + 0.868;
  const cg2 = 3.92e-5 * heightM + 0.0387;
  const ghi = cg1 * outside * cosZenith * Math.exp(-cg2 * mass * (fh1 + fh2 * (turbidity - 1)));

  const b = 0.664 + 0.163 / fh1;
  const beam = b * outside * Math.exp(-0.09 * mass * (turbidity - 1));
  const bound = (ghi * (1 - (0.1 - 0.2 * Math.exp(-turbidity)) / (0.1 + 0.882 / fh1))) / cosZenith;
  const dni = Math.min(beam, bound);
  return { ghi, dni, dhi: ghi - dni * cosZenith };
}

/** Share of a clear sky's light that comes through rain or a thick overcast. */
const THROUGH_RAIN = 0.12;
const THROUGH_FOG = 0.25;

/** What stands between a panel and the clear sky. */
export interface ClosedSky {
  /** Amount, 0 to 1; plays no part in rain and fog. */
  readonly cloud: number;
  /** Share of the time in rain, 0 to 1. */
  readonly rainShare: number;
  readonly fog: boolean;
}

/** Cloud amount from which the light between clouds is Kasten and Czeplak's own. */
const FAIR_CLOUD = 0.3;

/**
 * The same sky under clouds. Kasten and Czeplak (1980, Solar Energy 24, 177) measured their factor 1 - 0.75 N^3.4 against a clear
 * sky of their own, K = 910 sin h - 30 W/m2, which is duller than Ineichen and Perez' in clean air: taken of that, clouds of
 * fair weather would let 97 % through, where measured skies let 80 to 90 %. So the clear light goes over to theirs within
 * the first three tenths of cloud, with K held between 0.80 and 0.92 of it (a convention of this project). The beam goes by
 * the clear share of the sky, the rest is diffuse. Rain or a thick overcast lets 12 % through, fog 25 %, no beam.
 *
 * @param altitudeDeg apparent altitude
 */
export function underCloud(clear: Irradiance, altitudeDeg: number, closed: ClosedSky): Irradiance {
  const { cloud, rainShare, fog } = closed;
  const rain = diffuse(clear.ghi * THROUGH_RAIN);
  if (rainShare >= 1) return rain;
  const dry = fog ? diffuse(clear.ghi * THROUGH_FOG) : betweenClouds(clear, altitudeDeg, cloud);
  if (rainShare === 0) return dry;
  const mixed = (of: keyof Irradiance) => dry[of] + rainShare * (rain[of] - dry[of]);
  return { ghi: mixed('ghi'), dni: mixed('dni'), dhi: mixed('dhi') };
}

const diffuse = (ghi: number): Irradiance => ({ ghi, dni: 0, dhi: ghi });

function betweenClouds(clear: Irradiance, altitudeDeg: number, cloud: number): Irradiance {
  const cosZenith = sinDeg(altitudeDeg);
  const theirs = Math.min(0.92 * clear.ghi, Math.max(0.8 * clear.ghi, 910 * cosZenith - 30));
  const between = clear.ghi - (clear.ghi - theirs) * Math.min(1, cloud / FAIR_CLOUD);
  const ghi = between * (1 - 0.75 * cloud ** 3.4);
  const dni = cosZenith > 0 ? Math.min(clear.dni * (1 - cloud), ghi / cosZenith) : 0;
  return { ghi, dni, dhi: ghi - dni * cosZenith };
}

/** Linke turbidity by the words people have for air. Source: convention of this project, docs/model.md. */
export const AIR_WORDS = {
  mountain: { label: 'mountain-clear', turbidity: 2 },
  clean: { label: 'clean', turbidity: 2.7 },
  ordinary: { label: 'ordinary', turbidity: 3.5 },
  hazy: { label: 'hazy', turbidity: 4.5 },
  smoke: { label: 'smoke', turbidity: 6 },
} as const;

export type AirWord = keyof typeof AIR_WORDS;

/** Cloud amount by words, 0 to 1. Source: convention of this project, docs/model.md. */
export const CLOUD_WORDS = { clear: 0, few: 0.2, scattered: 0.45, broken: 0.75, overcast: 1 } as const;

export type CloudWord = keyof typeof CLOUD_WORDS;
