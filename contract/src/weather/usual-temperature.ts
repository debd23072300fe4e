import { usualRange } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';

/** The usual temperature of an outing's hours by place, month and the trip's climate, C; null without a place. */
export function usualTemperature({
  place,
  weather,
  start,
  end,
}: Pick<Trip, 'place' | 'weather' | 'start' | 'end'>): {
  readonly meanC: number;
  readonly coldestC: number;
  readonly warmestC: number;
} | null {
  const { latitudeDeg, longitudeDeg, heightM = 0 } = place;
  if (latitudeDeg === undefined || longitudeDeg === undefined) return null;
  return usualRange({ latitudeDeg, longitudeDeg, heightM }, weather?.climate ?? null, {
    startMs: Date.parse(start),
    endMs: Date.parse(end),
  });
}
