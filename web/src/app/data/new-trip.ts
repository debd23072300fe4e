import { TRIP_SCHEMA, TRIP_VERSION, type Trip } from '@knapsack/contract';
import { HOUR_MS } from '@knapsack/core';
import { newKey } from './new-id';

/** The time zone that this machine is set to. */
export const localZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The next whole hour, UTC epoch ms. */
export const nextHour = (nowMs: number): number => Math.ceil(nowMs / HOUR_MS) * HOUR_MS;

/** An empty trip: six hours from the next whole hour, nothing in the bag. */
export function newTrip(nowMs: number): Trip {
  const startMs = nextHour(nowMs);
  return {
    schema: TRIP_SCHEMA,
    version: TRIP_VERSION,
    id: `trip-${newKey()}`,
    name: 'New trip',
    place: { name: 'somewhere', timeZone: localZone() },
    start: new Date(startMs).toISOString(),
    end: new Date(startMs + 6 * HOUR_MS).toISOString(),
    temperatureC: 15,
    startSoc: 1,
    stepMinutes: 5,
    blocks: [],
    loadout: [],
  };
}
