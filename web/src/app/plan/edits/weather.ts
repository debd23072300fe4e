import { skyOf, USUAL_WEATHER, type Trip, type WeatherHour } from '@knapsack/contract';
import { CLOUD_WORDS, HOUR_MS, type CloudWord } from '@knapsack/core';
import { spanOf } from './blocks';

/** The whole hour that an instant falls into, UTC epoch ms. */
export const hourOf = (timeMs: number): number => Math.floor(timeMs / HOUR_MS) * HOUR_MS;

/** Paints a cloud amount over the whole hours from one instant to another; every hour of the outing gets a line of its own. */
export function paintCloud(trip: Trip, fromMs: number, toMs: number, cloud: number): Trip {
  const { startMs, endMs } = spanOf(trip);
  const weather = trip.weather ?? USUAL_WEATHER;
  const skyAt = skyOf(weather, trip.temperatureC);
  const known = new Map((weather.hours ?? []).map((hour) => [hourOf(Date.parse(hour.start)), hour]));
  const first = hourOf(Math.min(fromMs, toMs));
  const last = hourOf(Math.max(fromMs, toMs));
  const hours: WeatherHour[] = [];
  for (let hourMs = hourOf(startMs); hourMs < endMs; hourMs += HOUR_MS) {
    const painted = hourMs >= first && hourMs <= last;
    const { rain, ...before } = known.get(hourMs) ?? { start: '', cloud: 0, rain: skyAt(hourMs).rain };
    hours.push({
      ...before,
      start: new Date(hourMs).toISOString(),
      cloud: painted ? cloud : skyAt(hourMs).cloud,
      ...(rain && !painted && { rain }),
    });
  }
  return { ...trip, weather: { ...weather, hours } };
}

const WORDS = Object.entries(CLOUD_WORDS) as [CloudWord, number][];

/** The next cloud word up from an amount, from overcast back to clear. */
export const nextCloud = (cloud: number): number =>
  WORDS.find(([, amount]) => amount > cloud + 0.01)?.[1] ?? 0;

/** The word nearest to a cloud amount. */
export const cloudWord = (cloud: number): CloudWord =>
  WORDS.reduce((best, next) => (Math.abs(next[1] - cloud) < Math.abs(best[1] - cloud) ? next : best))[0];
