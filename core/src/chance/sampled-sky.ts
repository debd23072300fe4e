import type { Generator } from '../random/generator.js';
import { normal } from '../random/generator.js';
import { HOUR_MS, type Span } from '../span.js';
import type { SkyNow } from '../sun/harvest.js';
import { FOG, RAIN, skyIndex, type SkyIndex } from '../sun/light-table.js';
import { CLIMATES, DAY_TYPES, seasonAt, shiftedDays, type DayType } from '../weather/climate.js';
import type { Outlook } from '../weather/outlook.js';
import { LIKE_LAST_HOUR, LIKE_YESTERDAY } from '../weather/simulate.js';

/** Chance that the first day of a forecast comes as forecast, and by how much it falls with each day ahead. Source: convention of this project, docs/model.md. */
const FIRST_DAY_HOLDS = 0.85;
const HOLDS_LESS_A_DAY = 0.07;
/** Without a climate a forecast is all that is known: it keeps at least this chance. */
const HOLDS_WITHOUT_CLIMATE = 0.4;
/**
 * Chance that a day comes as forecast, 0 to 1; beyond it falls to the climate's own share of such days.
 *
 * @param day of the outing, 0 for the first
 */
const forecastHolds = (day: number, hasClimate: boolean): number =>
  Math.max(hasClimate ? 0 : HOLDS_WITHOUT_CLIMATE, FIRST_DAY_HOLDS - HOLDS_LESS_A_DAY * day);
const WANDER = Math.sqrt(1 - LIKE_LAST_HOUR ** 2);
/** An hour that was forecast may be this much off at the ends of the scale, and more between them. */
const SURE_SPREAD = 0.08;
/** Under a closed sky that share less: cloud can only become less there, and light rises steeply where it does. */
const CLOSED_STAYS = 0.8;
const UNSURE_SPREAD = 0.5;

const TYPES = Object.keys(DAY_TYPES) as DayType[];

/** An hour of an outing and what is said of it. */
export interface SaidHour {
  readonly day: number;
  readonly cloud: number;
  readonly rain: boolean;
  readonly fog: boolean;
  readonly isForecast: boolean;
}

/** What samples of the sky have in common: the hours as they are said, and how days come about. */
export interface SkyLaw {
  readonly startMs: number;
  readonly hours: readonly SaidHour[];
  /** For each day its mean cloud as forecast (null if it has no forecast), its shares of day types without one, and the chance that it comes as forecast. */
  readonly days: readonly {
    readonly cloud: number | null;
    readonly shares: readonly number[];
    readonly holds: number;
  }[];
}

/**
 * The law of an outing's sky.
 *
 * @param longitudeDeg tells where days begin: at the sun's midnight
 */
export function skyLaw(
  outing: Span,
  { latitudeDeg, longitudeDeg }: { readonly latitudeDeg: number; readonly longitudeDeg: number },
  skyAt: (timeMs: number) => SkyNow,
  outlook: Outlook = { isForecast: () => true },
): SkyLaw {
  const shiftMs = (longitudeDeg / 15) * HOUR_MS;
  const dayOf = (timeMs: number) => Math.floor((timeMs + shiftMs) / (24 * HOUR_MS));
  const startMs = Math.floor(outing.startMs / HOUR_MS) * HOUR_MS;
  const first = dayOf(startMs);
  const hours: SaidHour[] = [];
  for (let timeMs = startMs; timeMs < outing.endMs; timeMs += HOUR_MS) {
    const middle = Math.min(Math.max(timeMs + HOUR_MS / 2, outing.startMs), outing.endMs - 1);
    const { cloud, rain, fog = false } = skyAt(middle);
    // Without a climate there is nothing but what is said, be it the usual sky of the trip.
    const isForecast = outlook.climate === undefined || outlook.isForecast(middle);
    hours.push({ day: dayOf(timeMs) - first, cloud, rain, fog, isForecast });
  }
  const days = Array.from({ length: (hours.at(-1)?.day ?? 0) + 1 }, (_, day) => {
    const said = hours.filter((hour) => hour.day === day && hour.isForecast);
    const cloud = said.length > 0 ? said.reduce((sum, hour) => sum + hour.cloud, 0) / said.length : null;
    const season = seasonAt((first + day + 0.5) * 24 * HOUR_MS, latitudeDeg);
    const usual = outlook.climate && CLIMATES[outlook.climate].seasons[season].days;
    const expected = usual && outlook.meanCloud !== undefined ? shiftedDays(usual, outlook.meanCloud) : usual;
    return { cloud, shares: expected ?? besides(cloud ?? 0), holds: forecastHolds(day, usual !== undefined) };
  });
  return { startMs, hours, days };
}

/** Without a climate: a day that is not as forecast is of the kinds next to it. */
function besides(cloud: number): readonly number[] {
  const near = nearestType(cloud);
  return TYPES.map((_, index) => (Math.abs(index - near) === 1 ? 1 : 0));
}

const nearestType = (cloud: number): number =>
  TYPES.reduce(
    (best, type, index) =>
      Math.abs(DAY_TYPES[type].cloud - cloud) < Math.abs(DAY_TYPES[TYPES[best]].cloud - cloud) ? index : best,
    0,
  );

function sampledType(shares: readonly number[], next: Generator): number {
  let left = next() * shares.reduce((sum, share) => sum + share, 0);
  const index = shares.findIndex((share) => (left -= share) < 0);
  return index === -1 ? shares.findLastIndex((share) => share > 0) : index;
}

/** Where a sampled sky stands after an hour. */
export interface SkyState {
  /** Day of the law, −1 before the first. */
  day: number;
  /** Place of the day's kind among all kinds; −1 where the day is as forecast. */
  kind: number;
  /** How far cloud has wandered from what the day says, standard deviations. */
  wander: number;
  /** Of such a day: where in a round of 24 hours rain begins, and for how many it falls. */
  rainFrom: number;
  rains: number;
}

/** Before the first hour. */
export const skyBefore = (): SkyState => ({ day: -1, kind: AS_FORECAST, wander: 0, rainFrom: 0, rains: 0 });

/** The kind of a day that comes as it is forecast. */
export const AS_FORECAST = -1;

/**
 * One sky of an outing, hour by hour, as places in a light table.
 *
 * @param into filled with one place an hour; of the law's length
 */
export function sampleSky(law: SkyLaw, next: Generator, into: Float32Array): void {
  const state = skyBefore();
  for (let index = 0; index < law.hours.length; index++) into[index] = nextSky(law, index, state, next);
}

/**
 * The sky of the next hour. Days first: each as forecast, or of another kind when the forecast misses or there is none; a
 * first-order chain from day to day. Then the hours: cloud wanders around what the day says, a first-order chain from hour to
 * hour. Source: convention of this project, docs/model.md.
 *
 * @param index of the hour in the law
 * @param state after the hour before; moved on
 */
export function nextSky({ hours, days }: SkyLaw, index: number, state: SkyState, next: Generator): SkyIndex {
  const hour = hours[index];
  if (hour.day !== state.day) {
    const { cloud, shares } = days[hour.day];
    const holds = cloud !== null && next() < days[hour.day].holds;
    const like: boolean = state.kind !== AS_FORECAST && next() < LIKE_YESTERDAY;
    const sampled = sampledType(shares, next);
    state.day = hour.day;
    state.kind = holds ? AS_FORECAST : like ? state.kind : sampled;
    state.rainFrom = Math.floor(next() * 24);
    const { rainHours } = DAY_TYPES[TYPES[Math.max(0, state.kind)]];
    state.rains = state.kind !== AS_FORECAST && (rainHours > 1 || next() < 0.3) ? rainHours : 0;
  }
  state.wander = LIKE_LAST_HOUR * state.wander + WANDER * normal(next);
  // A day without a forecast hour of its own is sampled; one with hours that nobody has forecast as well, in those.
  const isSaid = state.kind === AS_FORECAST && hour.isForecast;
  if (isSaid) {
    const spread =
      SURE_SPREAD * (1 - CLOSED_STAYS * hour.cloud) + UNSURE_SPREAD * hour.cloud * (1 - hour.cloud);
    return hour.rain ? RAIN : hour.fog ? FOG : skyIndexOf(hour.cloud + spread * state.wander);
  }
  const kind = state.kind === AS_FORECAST ? nearestType(days[state.day].cloud ?? 0) : state.kind;
  const { cloud, spread } = DAY_TYPES[TYPES[kind]];
  const inRain = (((index - state.rainFrom) % 24) + 24) % 24 < state.rains;
  return inRain ? RAIN : skyIndexOf(cloud + spread * state.wander);
}

const skyIndexOf = (cloud: number): SkyIndex => skyIndex(Math.min(1, Math.max(0, cloud)));
