import { createRequire } from 'node:module';
import type { Gear, Trip } from '@knapsack/contract';
import { readShelf, readTrip } from '@knapsack/contract/schemas';
import { readJson } from './read-json.js';
import { taken } from './taken.js';

/** The shelf that ships with Knapsack: the gear of the demo trips. */
const SHIPPED_SHELF = createRequire(import.meta.url).resolve('@knapsack/demo/gear.json');

export const GEAR_OPTION = [
  '--gear <GEAR.json>',
  'a shelf document with the gear (else what the trip carries, then the demo’s shelf)',
] as const;

/** A trip and the gear to look its bag up in, out of their files. */
export function readTripFiles(tripFile: string, gearFile?: string): { trip: Trip; shelf: readonly Gear[] } {
  const trip = taken(tripFile, readTrip(readJson(tripFile)));
  const file = gearFile ?? SHIPPED_SHELF;
  const { gear } = taken(file, readShelf(readJson(file)));
  return { trip, shelf: gearFile ? gear : [...gear, ...(trip.gear ?? [])] };
}
