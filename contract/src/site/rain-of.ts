import {
  CLIMATES,
  HOUR_MS,
  rainBetween,
  rainHours,
  sayQuantity,
  sayTime,
  seasonAt,
  type Rain,
  type SeasonOfClimate,
} from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import { climateOf } from '../resolve/sky-of.js';

type Outing = Pick<Trip, 'weather' | 'place' | 'start' | 'end'>;

/** The rain of an outing: what is forecast, and where hours are missing how many days of ten are wet there in that season. */
export interface OutingRain {
  readonly rain: readonly Rain[];
  readonly hours: number;
  /** Share of the outing that has hours of weather, 0 to 1. */
  readonly known: number;
  /** Wet days of ten, of the climate; null where no climate was chosen or the hours cover the outing. */
  readonly wetDays: number | null;
  /** The hours are made up by the simulated weather service. */
  readonly simulated: boolean;
}

/** What of the outing rain falls in. */
export function rainOf(trip: Outing): OutingRain {
  const [startMs, endMs] = [Date.parse(trip.start), Date.parse(trip.end)];
  const hours = (trip.weather?.hours ?? []).map(({ start, cloud, rain = false }) => ({
    ...{ startMs: Date.parse(start), cloud, rain },
  }));
  const rain = rainBetween(hours, startMs, endMs);
  const [first, last] = [hours.at(0), hours.at(-1)];
  const covered =
    first && last
      ? Math.max(0, Math.min(endMs, last.startMs + HOUR_MS) - Math.max(startMs, first.startMs))
      : 0;
  const known = endMs > startMs ? covered / (endMs - startMs) : 0;
  const climate = trip.weather?.climate;
  const { seasons } = CLIMATES[climate ?? climateOf(trip)];
  const season: SeasonOfClimate = seasons[seasonAt(startMs, trip.place.latitudeDeg ?? 45)];
  return {
    ...{ rain, hours: rainHours(rain), known },
    wetDays: climate && known < 1 ? season.days[3] : null,
    simulated: trip.weather?.source === 'simulated',
  };
}

/** The rain in a sentence; empty where nothing is known of it. */
export function sayRain({ rain, hours, known, wetDays, simulated }: OutingRain, zone: string): string {
  const [first] = rain;
  const wet = wetDays === null ? '' : ` ${wetDays} of 10 days are wet there at this time of year.`;
  const where = simulated ? ' in the simulated weather' : '';
  if (first)
    return `Rain${where} from ${sayTime(first.startMs, zone)}, ${sayQuantity({ value: hours, unit: 'duration' })} in all.`;
  if (known >= 1) return simulated ? 'No rain in the simulated weather.' : 'No rain is forecast.';
  const partly = simulated ? `No rain${where}.` : 'No rain in the hours that are forecast.';
  return `${known > 0 ? partly : 'No forecast of rain.'}${wet}`;
}
