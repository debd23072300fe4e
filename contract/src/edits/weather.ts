import { skyOf } from '../resolve/sky-of.js';
import { USUAL_WEATHER, type WeatherHour } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import { CLOUD_WORDS, HOUR_MS, midnightBefore, type CloudWord } from '@knapsack/core';
import { spanOf } from './blocks.js';

/** The whole hour that an instant falls into, UTC epoch ms. */
export const hourOf = (timeMs: number): number => Math.floor(timeMs / HOUR_MS) * HOUR_MS;

/** The hours that are told as fog, by their starts, UTC epoch ms. */
export const foggyHours = ({ weather }: Pick<Trip, 'weather'>): ReadonlySet<number> =>
  new Set((weather?.hours ?? []).filter(({ fog }) => fog).map(({ start }) => hourOf(Date.parse(start))));

/** What is painted onto hours: a cloud amount, rain (a closed sky), or fog (overcast, told as fog). */
export interface Paint {
  readonly cloud: number;
  readonly rain?: boolean;
  readonly fog?: boolean;
}

/** Paints a sky over the whole hours from one instant to another; every hour of the outing gets a line of its own, typed from now on. */
export function paintSky(trip: Trip, fromMs: number, toMs: number, paint: Paint): Trip {
  const { startMs, endMs } = spanOf(trip);
  const weather = trip.weather ?? USUAL_WEATHER;
  const skyAt = skyOf(trip);
  const known = new Map((weather.hours ?? []).map((hour) => [hourOf(Date.parse(hour.start)), hour]));
  const first = hourOf(Math.min(fromMs, toMs));
  const last = hourOf(Math.max(fromMs, toMs));
  const hours: WeatherHour[] = [];
  for (let hourMs = hourOf(startMs); hourMs < endMs; hourMs += HOUR_MS) {
    const {
      rain,
      fog,
      cloud: _cloud,
      ...before
    } = known.get(hourMs) ?? {
      start: '',
      cloud: 0,
      rain: skyAt(hourMs).rain,
      fog: false,
    };
    const now: Paint =
      hourMs >= first && hourMs <= last
        ? paint
        : { cloud: skyAt(hourMs).cloud, rain: rain ?? false, fog: fog ?? false };
    hours.push({
      ...before,
      start: new Date(hourMs).toISOString(),
      cloud: now.cloud,
      ...(now.rain && { rain: true }),
      ...(now.fog && { fog: true }),
    });
  }
  const { source, ...typed } = weather;
  return { ...trip, weather: { ...typed, hours } };
}

/** Fog from the outing's start, or from the midnight before, until an instant. */
export function fogUntil(trip: Trip, untilMs: number): Trip {
  const { startMs } = spanOf(trip);
  const midnight = midnightBefore(untilMs, trip.place.timeZone);
  const lastMs = untilMs - 1;
  return lastMs < startMs
    ? trip
    : paintSky(trip, Math.max(startMs, midnight), lastMs, { cloud: 1, fog: true });
}

/** Rain from an instant to the outing's end. */
export const rainFrom = (trip: Trip, fromMs: number): Trip =>
  paintSky(trip, fromMs, spanOf(trip).endMs - 1, { cloud: 1, rain: true });

const WORDS = Object.entries(CLOUD_WORDS) as [CloudWord, number][];

/** The next cloud word up from an amount, from overcast back to clear. */
export const nextCloud = (cloud: number): number =>
  WORDS.find(([, amount]) => amount > cloud + 0.01)?.[1] ?? 0;

/** The word nearest to a cloud amount. */
export const cloudWord = (cloud: number): CloudWord =>
  WORDS.reduce((best, next) => (Math.abs(next[1] - cloud) < Math.abs(best[1] - cloud) ? next : best))[0];
