import type { Generator } from '../random/generator.js';
import { normal } from '../random/generator.js';
import { HOUR_MS, type Span } from '../span.js';
import type { SkyNow } from '../sun/harvest.js';
import { FOG, RAIN, skyIndex, type SkyIndex } from '../sun/light-table.js';
import { CLIMATES, DAY_TYPES, seasonAt, type DayType } from '../weather/climate.js';
import type { Outlook } from '../weather/outlook.js';
import { LIKE_LAST_HOUR, LIKE_YESTERDAY } from '../weather/simulate.js';

/** Chance that a forecast day turns out of the kind that was forecast. Ours: about what forecasts of two to three days reach. */
const FORECAST_HOLDS = 0.75;
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
  /** For each day its mean cloud as forecast (null where nobody has) and its shares of day types without a forecast. */
  readonly days: readonly { readonly cloud: number | null; readonly shares: readonly number[] }[];
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
    return { cloud, shares: usual ?? besides(cloud ?? 0) };
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

/**
 * One sky of an outing, hour by hour, as places in a light table. Days first: each as forecast, or of another kind when
 * the forecast misses or there is none; a first-order chain from day to day. Then the hours: cloud wanders around what the
 * day says, a first-order chain from hour to hour. Source: convention of this project, docs/model.md.
 *
 * @param into filled with one place an hour; of the law's length
 */
export function sampleSky({ hours, days }: SkyLaw, next: Generator, into: Float32Array): void {
  let type: number | null = null;
  let wander = 0;
  let day = -1;
  let rainFrom = 0;
  let rains = 0;
  for (let index = 0; index < hours.length; index++) {
    const hour = hours[index];
    if (hour.day !== day) {
      day = hour.day;
      const { cloud, shares } = days[day];
      const holds = cloud !== null && next() < FORECAST_HOLDS;
      const like: boolean = type !== null && next() < LIKE_YESTERDAY;
      const sampled = sampledType(shares, next);
      type = holds ? null : like ? type : sampled;
      rainFrom = Math.floor(next() * 24);
      const { rainHours } = DAY_TYPES[TYPES[type ?? 0]];
      rains = type !== null && (rainHours > 1 || next() < 0.3) ? rainHours : 0;
    }
    wander = LIKE_LAST_HOUR * wander + WANDER * normal(next);
    // A day without a forecast hour of its own is sampled; one with hours that nobody has forecast as well, in those.
    const kind: number | null = type ?? (hour.isForecast ? null : nearestType(days[day].cloud ?? 0));
    if (kind === null) {
      const spread =
        SURE_SPREAD * (1 - CLOSED_STAYS * hour.cloud) + UNSURE_SPREAD * hour.cloud * (1 - hour.cloud);
      into[index] = hour.rain ? RAIN : hour.fog ? FOG : skyIndexOf(hour.cloud + spread * wander);
    } else {
      const { cloud, spread } = DAY_TYPES[TYPES[kind]];
      const inRain = (((index - rainFrom) % 24) + 24) % 24 < rains;
      into[index] = inRain ? RAIN : skyIndexOf(cloud + spread * wander);
    }
  }
}

const skyIndexOf = (cloud: number): SkyIndex => skyIndex(Math.min(1, Math.max(0, cloud)));
