import { generator, normal, seedOf } from '../random/generator.js';
import { HOUR_MS, type Span } from '../span.js';
import { AIR_WORDS, type AirWord } from '../sun/clear-sky.js';
import {
  CLIMATES,
  DAY_TYPES,
  LAPSE_K_M,
  seasonAt,
  type ClimateWord,
  type DayType,
  type SeasonOfClimate,
} from './climate.js';
import type { WeatherHourMs } from './weather-hour.js';

const DAY_MS = 24 * HOUR_MS;
/** Chance that a day is like the one before, 0 to 1. Source: convention of this project, docs/model.md. */
export const LIKE_YESTERDAY = 0.5;
/** How far back a spell of weather is followed. */
const LONGEST_SPELL = 30;
/** Likeness of an hour's cloud to the hour before. */
export const LIKE_LAST_HOUR = 0.75;
const COLDEST_TO_WARMEST_HOUR = 15;

export interface WeatherSite {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly heightM: number;
}

/**
 * Made-up weather, hour by hour over a stretch of time: the stand-in for a forecast service. The same place, date and
 * climate give the same weather, whatever the stretch asked for. A day is like the one before in half of the cases, otherwise
 * drawn by the season's shares of day types; within it the cloud wanders around the type's mean, rain comes in one
 * spell, and the temperature follows the sun.
 */
export function simulatedWeather(site: WeatherSite, span: Span, climate: ClimateWord): WeatherHourMs[] {
  const hours: WeatherHourMs[] = [];
  const firstMs = Math.floor(span.startMs / HOUR_MS) * HOUR_MS;
  for (let day = Math.floor(firstMs / DAY_MS); day * DAY_MS < span.endMs; day++) {
    for (const hour of weatherOfDay(site, day, climate)) {
      if (hour.startMs >= firstMs && hour.startMs < span.endMs) hours.push(hour);
    }
  }
  return hours;
}

const dice = ({ latitudeDeg, longitudeDeg }: WeatherSite, climate: ClimateWord, day: number, what: string) =>
  generator(seedOf(`${latitudeDeg.toFixed(2)} ${longitudeDeg.toFixed(2)} ${climate} ${day} ${what}`));

/** What a day is like; day counted from the epoch. */
function dayType(site: WeatherSite, day: number, climate: ClimateWord): DayType {
  let from = day;
  // Back to the day on which this spell of weather began.
  while (day - from < LONGEST_SPELL && dice(site, climate, from, 'spell')() < LIKE_YESTERDAY) from--;
  const { days } = seasonOf(site, from, climate);
  let left = dice(site, climate, from, 'type')() * 10;
  const types = Object.keys(DAY_TYPES) as DayType[];
  return types.find((_, index) => (left -= days[index]) < 0) ?? types[types.length - 1];
}

const seasonOf = ({ latitudeDeg }: WeatherSite, day: number, climate: ClimateWord): SeasonOfClimate =>
  CLIMATES[climate].seasons[seasonAt(day * DAY_MS, latitudeDeg)];

function weatherOfDay(site: WeatherSite, day: number, climate: ClimateWord): WeatherHourMs[] {
  const { meanC, swingC, windMS } = seasonOf(site, day, climate);
  const type = dayType(site, day, climate);
  const { cloud: usual, spread, rainHours } = DAY_TYPES[type];
  const air = airOf(climate, type, dayType(site, day - 1, climate));
  const next = dice(site, climate, day, 'hours');
  const dayC = meanC - LAPSE_K_M * site.heightM + 2 * normal(next);
  const dayWind = windMS * (0.6 + 0.8 * next());
  const rainFrom = Math.floor(next() * 24);
  const rains = rainHours > 1 || next() < 0.3 ? rainHours : 0;
  let wander = 0;
  return Array.from({ length: 24 }, (_, hour) => {
    wander = LIKE_LAST_HOUR * wander + Math.sqrt(1 - LIKE_LAST_HOUR ** 2) * normal(next);
    const cloud = Math.min(1, Math.max(0, usual + spread * wander));
    const solarHour = hour + site.longitudeDeg / 15;
    const sway = Math.cos(((solarHour - COLDEST_TO_WARMEST_HOUR) / 24) * 2 * Math.PI);
    return {
      startMs: day * DAY_MS + hour * HOUR_MS,
      cloud: Math.round(cloud * 100) / 100,
      rain: (hour - rainFrom + 24) % 24 < rains,
      // Clouds keep days cool and nights warm.
      airC: Math.round((dayC + (swingC / 2) * (1.2 - 0.6 * cloud) * sway) * 10) / 10,
      windMS: Math.round(Math.max(0, dayWind * (1 + 0.25 * sway)) * 10) / 10,
      air,
    };
  });
}

const AIRS = Object.keys(AIR_WORDS) as AirWord[];

/** The air of a day: as usual in its climate, a step clearer after rain, a step hazier when clear days follow one another. */
function airOf(climate: ClimateWord, today: DayType, yesterday: DayType): AirWord {
  const step = yesterday === 'wet' ? -1 : today === 'clear' && yesterday === 'clear' ? 1 : 0;
  const usual = AIRS.indexOf(CLIMATES[climate].air);
  return AIRS[Math.min(AIRS.length - 1, Math.max(0, usual + step))];
}
