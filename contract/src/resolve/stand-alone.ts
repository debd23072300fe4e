import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { allLines } from './bag-lines.js';
import { lookUp } from './look-up.js';

/** A trip with all gear of its bags in it, that of its variants and of what stays at home too, so that it stands alone as a file. */
export function standAlone(trip: Trip, shelf: readonly Gear[]): Trip {
  const gear = new Map<string, Gear>();
  for (const { gear: item } of lookUp({ ...trip, loadout: allLines(trip) }, shelf).carried)
    gear.set(item.id, item);
  return { ...trip, gear: [...gear.values()] };
}
