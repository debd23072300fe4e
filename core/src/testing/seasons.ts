/**
 * Seasons to hold the told chances against. Nothing here is shared with the product: numbers, sun, clear sky, days, hours and
 * panel are of another make, so that an error of the product's own cannot hide on both sides.
 */

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** Numbers from 0 to 1. Source: Park and Miller (1988), with the multiplier 48271. */
export function lehmer(seed: number): () => number {
  let state = 1 + (seed % 2_147_483_646);
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** About normal: twelve even numbers summed. */
const wobble = (next: () => number): number =>
  Array.from({ length: 12 }, next).reduce((sum, value) => sum + value, -6);

/** A factor evenly spread around 1. */
export const evenly = (next: () => number, halfWidth: number): number => 1 + halfWidth * (2 * next() - 1);

/** Kinds of days: what a forecaster calls them, and how much of the clear light they let through on the level. */
interface DayKind {
  readonly saidCloud: number;
  readonly saidRain: boolean;
  readonly light: number;
  readonly wander: number;
}

/** @param fairLight share of the clear light on fair-weather days; measured skies have 0.80 to 0.90 */
const kinds = (fairLight: number): readonly DayKind[] => [
  { saidCloud: 0.05, saidRain: false, light: 0.98, wander: 0.02 },
  { saidCloud: 0.4, saidRain: false, light: fairLight, wander: 0.08 },
  { saidCloud: 0.85, saidRain: false, light: 0.48, wander: 0.12 },
  { saidCloud: 1, saidRain: false, light: 0.22, wander: 0.07 },
];

/** Cloud amount that somebody sees who looks up as this much of the clear light comes through: between the kinds, as their forecaster says. */
export function seenCloud(lightShare: number, fairLight: number): number {
  const all = kinds(fairLight);
  const darker = all.findIndex(({ light }) => light <= lightShare);
  if (darker === 0) return all[0].saidCloud;
  if (darker < 0) return 1;
  const [clear, dull] = [all[darker - 1], all[darker]];
  const part = (clear.light - lightShare) / (clear.light - dull.light);
  return clear.saidCloud + part * (dull.saidCloud - clear.saidCloud);
}

/** The same kind of day as the day before with this chance. */
const STAYS = 0.5;
/** The forecaster is right with this chance, less for each day ahead: 85 % on the first day, 40 % at the end of a week. */
const rightOn = (day: number): number => Math.max(0.4, 0.85 - 0.07 * day);
/** A forecaster who guesses is right on one day of four, so that much less knowledge is needed. */
const saidRight = (day: number): number => (rightOn(day) - 0.25) / 0.75;

export interface Season {
  /** Cloud amount as forecast, by hour. */
  readonly saidCloud: readonly number[];
  /** What came: share of the clear light on the level, by hour. */
  readonly lightShare: readonly number[];
  /** For all else that the season's outing is off by. */
  readonly next: () => number;
}

/** One season, some days from a midnight. */
export function seasonOf(seed: number, days: number, fairLight: number): Season {
  const next = lehmer(seed * 7919 + 17);
  for (let warm = 0; warm < 8; warm++) next();
  const all = kinds(fairLight);
  const any = () => Math.floor(next() * all.length);
  const saidCloud: number[] = [];
  const lightShare: number[] = [];
  let kind = any();
  let stray = 0;
  for (let day = 0; day < days; day++) {
    if (next() > STAYS) kind = any();
    const said = all[next() < saidRight(day) ? kind : any()];
    for (let hour = 0; hour < 24; hour++) {
      stray = 0.7 * stray + Math.sqrt(1 - 0.49) * wobble(next);
      saidCloud.push(said.saidCloud);
      lightShare.push(Math.min(1.02, Math.max(0.05, all[kind].light + all[kind].wander * stray)));
    }
  }
  return { saidCloud, lightShare, next };
}

/**
 * Clear light on the level, W/m2. Source: Haurwitz (1945), Journal of Meteorology 2, 154; declination by Cooper (1969),
 * Solar Energy 12, 333; noon at 12 UTC on the meridian of Greenwich.
 */
export function clearLight(timeMs: number, latitudeDeg: number): number {
  const radians = Math.PI / 180;
  const day = (timeMs - Date.UTC(new Date(timeMs).getUTCFullYear(), 0, 1)) / DAY_MS;
  const declination = 23.45 * Math.sin(((360 * (284 + day)) / 365) * radians) * radians;
  const hourAngle = ((timeMs % DAY_MS) / HOUR_MS - 12) * 15 * radians;
  const latitude = latitudeDeg * radians;
  const height =
    Math.sin(latitude) * Math.sin(declination) +
    Math.cos(latitude) * Math.cos(declination) * Math.cos(hourAngle);
  return height <= 0.02 ? 0 : 1098 * height * Math.exp(-0.057 / height);
}

/**
 * Current of a level panel behind a tracking controller, A: its label's watts by the light, less four thousandths a kelvin that its
 * cells are above 25 C, 95 % of it over 13.2 V.
 */
export function panelAmps(lightWM2: number, watts: number, truth: number): number {
  const cellC = 15 + 0.03 * lightWM2;
  return (0.95 * watts * truth * (lightWM2 / 1000) * (1 - 0.004 * (cellC - 25))) / 13.2;
}
