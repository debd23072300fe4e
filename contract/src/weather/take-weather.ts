import { CLIMATES, fillGaps, sayTime, seasonAt, usualSky, type WeatherHourMs } from '@knapsack/core';
import { climateOf, knowsSky } from '../resolve/sky-of.js';
import { USUAL_WEATHER, type Weather, type WeatherHour } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import type { WeatherDocument } from '../documents/weather.js';

/** Most gaps that are told one by one. */
const MOST_TOLD = 3;

/**
 * The weather of a document as a trip takes it: cut to the outing, the gaps filled from the climate word, and sentences
 * about what was filled.
 */
export function takeWeather(document: WeatherDocument, trip: Trip): { weather: Weather; notes: string[] } {
  const outing = { startMs: Date.parse(trip.start), endMs: Date.parse(trip.end) };
  const climate = document.climate ?? climateOf(trip);
  const { latitudeDeg = 45, heightM = 0, timeZone } = trip.place;
  const usual = (timeMs: number) => usualSky(climate, seasonAt(timeMs, latitudeDeg), heightM);
  const { hours, gaps } = fillGaps(document.hours.map(fromDocument), outing, usual);
  const seasonal = usual(outing.startMs);
  const before = trip.weather ?? USUAL_WEATHER;
  const notes: string[] = [];
  if (gaps.length > 0) {
    const told = gaps
      .slice(0, MOST_TOLD)
      .map(({ startMs, endMs }) => `${sayTime(startMs, timeZone)} to ${sayTime(endMs, timeZone)}`)
      .join(', ');
    const more = gaps.length > MOST_TOLD ? ` and ${gaps.length - MOST_TOLD} more` : '';
    notes.push(
      `It says nothing of ${told}${more}; filled with what is usual: ${CLIMATES[climate].label}, ${seasonAt(outing.startMs, latitudeDeg)}.`,
    );
  }
  return {
    weather: {
      air: document.air ?? before.air,
      ...(before.cloud !== undefined && { cloud: before.cloud }),
      windMS: seasonal.windMS,
      climate,
      source: document.source,
      hours: hours.map(toDocument),
    },
    notes,
  };
}

const fromDocument = ({
  start,
  cloud,
  rain = false,
  temperatureC,
  windMS,
  air,
}: WeatherHour): WeatherHourMs => ({
  startMs: Date.parse(start),
  cloud,
  rain,
  ...(temperatureC !== undefined && { airC: temperatureC }),
  ...(windMS !== undefined && { windMS }),
  ...(air && { air }),
});

const toDocument = ({ startMs, cloud, rain, airC, windMS, air }: WeatherHourMs): WeatherHour => ({
  start: new Date(startMs).toISOString(),
  cloud: Math.round(cloud * 100) / 100,
  ...(rain && { rain }),
  ...(airC !== undefined && { temperatureC: Math.round(airC * 10) / 10 }),
  ...(windMS !== undefined && { windMS }),
  ...(air && { air }),
});

/**
 * A trip's weather by what is usual for a climate and the season alone, no hour known better.
 *
 * @param climate the trip's own if absent, else what the latitude suggests
 */
export function typicalWeather(trip: Trip, climate = climateOf(trip)): Weather {
  const startMs = Date.parse(trip.start);
  const { latitudeDeg = 45, heightM = 0 } = trip.place;
  const { windMS } = usualSky(climate, seasonAt(startMs, latitudeDeg), heightM);
  return { air: CLIMATES[climate].air, windMS, climate };
}

/** A trip that knows nothing of its sky, with the season's usual weather; any other as it is. */
export function withSomeWeather(trip: Trip): Trip {
  if (knowsSky(trip)) return trip;
  const { cloud } = trip.weather ?? USUAL_WEATHER;
  return { ...trip, weather: { ...typicalWeather(trip), ...(cloud !== undefined && { cloud }) } };
}
