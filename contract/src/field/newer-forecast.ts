import { fail, HOUR_MS, succeed, type Result } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import type { WeatherDocument } from '../documents/weather.js';
import { hourOf } from '../edits/weather.js';
import { takeWeather } from '../weather/take-weather.js';

/** A trip under a forecast that came during the outing, and what was filled in it. */
export interface Reforecast {
  readonly trip: Trip;
  readonly notes: readonly string[];
}

/**
 * A trip under a newer forecast: the hours from now on are the forecast's, those before stay as they were said then.
 *
 * @param nowMs UTC epoch ms
 */
export function withNewerForecast(trip: Trip, document: WeatherDocument, nowMs: number): Result<Reforecast> {
  const fromMs = hourOf(nowMs);
  const endMs = Date.parse(trip.end);
  const isAhead = ({ start }: { readonly start: string }) => Date.parse(start) >= fromMs;
  if (
    !document.hours.some(
      (hour) => Date.parse(hour.start) > fromMs - HOUR_MS && Date.parse(hour.start) < endMs,
    )
  ) {
    return fail({
      code: 'no-hours',
      sentence: 'This forecast says nothing of the hours that are left. Nothing was taken.',
    });
  }
  const { weather, notes } = takeWeather(document, { ...trip, start: new Date(fromMs).toISOString() });
  const past = (trip.weather?.hours ?? []).filter((hour) => !isAhead(hour));
  const hours = [...past, ...(weather.hours ?? []).filter(isAhead)];
  return succeed({ trip: { ...trip, weather: { ...weather, hours } }, notes });
}
