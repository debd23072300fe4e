import { interpolate } from '../interpolate.js';
import { CLIMATES, LAPSE_K_M, SEASONS, type ClimateWord, type SeasonOfClimate } from './climate.js';

/** The usual temperature of the air on a day of the year, at a place. */
export interface UsualAir {
  /** Mean of the day, C. */
  readonly meanC: number;
  /** From the mean to the warmest or the coldest hour, K. */
  readonly halfSwingK: number;
  /** Standard deviation of the mean from year to year, K. */
  readonly spreadK: number;
}

/** A place as its temperature depends on it. */
export interface AirSite {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly heightM: number;
}

const DAY_MS = 86_400_000;
const YEAR_DAYS = 365.25;
/** Days from the start of a year to the middle of its first season, and between the middles of two. */
const FIRST_SEASON_DAY = 15;
const SEASON_DAYS = YEAR_DAYS / SEASONS.length;
/** How far a day is from its mean, K. Source: convention of this project. */
const SPREAD_K = 4;
/** Local solar hour at which a day is warmest. Source: convention of this project. */
const WARMEST_HOUR = 15;

/** Mean of the year at sea level by latitude, C. Source: zonal means; convention of this project, docs/model.md. */
const ZONES_DEG = [0, 15, 25, 35, 45, 55, 65, 75, 90] as const;
const ZONES_C = [27, 26, 22, 16, 9, 2, -7, -16, -22] as const;
/** Half of the yearly swing: at the equator, and more for each degree of latitude, K. */
const YEAR_SWING_K = 0.5;
const YEAR_SWING_PER_DEG_K = 0.22;
/** Days from the start of a year to its warmest day in the north: a month after the solstice. */
const WARMEST_DAY = 202;
/** Half of the daily swing without a climate, K. */
const DAY_HALF_SWING_K = 5;

const dayOfYear = (timeMs: number): number =>
  (timeMs - Date.UTC(new Date(timeMs).getUTCFullYear(), 0, 1)) / DAY_MS;

/**
 * The usual temperature of a day by place, date and climate: the climate's seasons smoothed over the year, or zonal means if no
 * climate is known; 6.5 K colder for each kilometre of height. Source: convention of this project, docs/model.md; lapse rate ISO 2533.
 *
 * @param climate null if none is known
 */
export function usualAir(
  { latitudeDeg, heightM }: AirSite,
  climate: ClimateWord | null,
  timeMs: number,
): UsualAir {
  const day = dayOfYear(timeMs);
  const lapse = LAPSE_K_M * heightM;
  if (climate === null) {
    const away = Math.abs(latitudeDeg);
    const swing = YEAR_SWING_K + YEAR_SWING_PER_DEG_K * away;
    const season = Math.cos((2 * Math.PI * (day - WARMEST_DAY)) / YEAR_DAYS) * (latitudeDeg < 0 ? -1 : 1);
    return {
      meanC: interpolate(ZONES_DEG, ZONES_C, away) + swing * season - lapse,
      halfSwingK: DAY_HALF_SWING_K,
      spreadK: SPREAD_K,
    };
  }
  // Between the middles of two seasons, so that no day jumps; turned round south of the equator.
  const half = latitudeDeg < 0 ? SEASONS.length / 2 : 0;
  const place = (day - FIRST_SEASON_DAY) / SEASON_DAYS + half + SEASONS.length;
  const before = Math.floor(place);
  const part = place - before;
  const { seasons } = CLIMATES[climate];
  const seasonAt = (index: number): SeasonOfClimate => seasons[SEASONS[index % SEASONS.length]];
  const [one, next] = [seasonAt(before), seasonAt(before + 1)];
  return {
    meanC: one.meanC + part * (next.meanC - one.meanC) - lapse,
    halfSwingK: (one.swingC + part * (next.swingC - one.swingC)) / 2,
    spreadK: SPREAD_K,
  };
}

/** The usual temperature of an hour, C: the day's mean and its swing, warmest at three in the afternoon by the sun. */
export function usualHourC(site: AirSite, climate: ClimateWord | null, timeMs: number): number {
  const { meanC, halfSwingK } = usualAir(site, climate, timeMs);
  const solarHour = (timeMs % DAY_MS) / 3_600_000 + site.longitudeDeg / 15;
  return meanC + halfSwingK * Math.cos((2 * Math.PI * (solarHour - WARMEST_HOUR)) / 24);
}

/** Mean, coldest and warmest hour of a stretch of time, C. */
export function usualRange(
  site: AirSite,
  climate: ClimateWord | null,
  { startMs, endMs }: { readonly startMs: number; readonly endMs: number },
): { readonly meanC: number; readonly coldestC: number; readonly warmestC: number } {
  const hours: number[] = [];
  for (let timeMs = startMs; timeMs <= endMs; timeMs += 3_600_000) {
    hours.push(usualHourC(site, climate, timeMs));
  }
  return {
    meanC: hours.reduce((sum, value) => sum + value, 0) / hours.length,
    coldestC: Math.min(...hours),
    warmestC: Math.max(...hours),
  };
}
