import { randomUUID } from 'node:crypto';
import { sameDocument, type Gear, type Trip } from '@knapsack/contract';
import {
  lookAtTripFile,
  takeTripFile,
  type TripFileChoice,
  type TripFileLook,
} from '@knapsack/contract/formats';
import type { EntityManager } from 'typeorm';
import type { Database } from '../database/database.js';
import { putBeside, withBeside } from './beside.js';
import type { Stores } from './stores.js';

/** What became of a trip out of a file. */
export type TakenIn =
  | {
      readonly ok: true;
      readonly id: string;
      readonly name: string;
      readonly revision: number;
      /** Items that are new on the shelf. */
      readonly gear: number;
      /** Ids that its bag names and nobody knows. */
      readonly missingGear: readonly string[];
    }
  /** What is here of its id was saved by a later release, or is damaged, and is not written over. */
  | { readonly ok: false; readonly refusal: 'locked' };

/** How a trip out of a file, and the gear that came with it, stand to what is here. */
export function lookAtTrip(database: Database, stores: Stores, file: Trip): Promise<TripFileLook> {
  return database.read(async (manager) => {
    const { here, shelf } = await around(manager, stores, file);
    return lookAtTripFile(file, here, shelf);
  });
}

/** Takes a trip out of a file, with its gear as chosen: all of it or nothing. */
export function takeTrip(
  database: Database,
  stores: Stores,
  file: Trip,
  choice: TripFileChoice,
): Promise<TakenIn> {
  return database.write(async (manager) => {
    const { here, row, shelf, unreadable } = await around(manager, stores, file);
    if (row && !here) return { ok: false, refusal: 'locked' };
    const { trip, gear } = takeTripFile(file, here, shelf, choice, newKey);
    // What stands on the shelf and cannot be read is not written over: the trip carries its own.
    const fresh = gear.filter(({ id }) => !unreadable.has(id));
    const own = [...(trip.gear ?? []), ...gear.filter(({ id }) => unreadable.has(id))];
    const kept = own.length > 0 ? { ...trip, gear: own } : trip;
    const isHere = row !== null && kept.id === row.id;
    // The very same is not written again: an open page still has its revision.
    const isSame = isHere && sameDocument(kept, here);
    const revision = !isHere ? 1 : isSame ? row.revision : row.revision + 1;
    if (!isSame)
      await stores.trips.keepIn(manager, [asText(await putBeside(manager, stores, kept), revision)]);
    await stores.gear.keepIn(
      manager,
      fresh.map((item) => asText(item, 1)),
    );
    const { missingGear } = lookAtTripFile(file, here, shelf);
    return { ok: true, id: trip.id, name: trip.name, revision, gear: fresh.length, missingGear };
  });
}

async function around(manager: EntityManager, stores: Stores, file: Trip) {
  const row = await stores.trips.rowIn(manager, file.id);
  const alone = row && stores.trips.documentOf(row);
  const here = alone && alike(file, await withBeside(manager, stores, alone));
  const gear = await stores.gear.rowsIn(manager);
  const shelf = gear.flatMap((item) => stores.gear.documentOf(item) ?? []);
  const readable = new Set(shelf.map(({ id }) => id));
  const unreadable = new Set(gear.map(({ id }) => id).filter((id) => !readable.has(id)));
  return { row, here, shelf, unreadable };
}

/** A trip as it is here, with ticks and results as far as the file speaks of them: else they make no difference. */
function alike(file: Trip, { packed = [], results = [], ...trip }: Trip): Trip {
  return { ...trip, ...(file.packed && { packed }), ...(file.results && { results }) };
}

const asText = (document: Trip | Gear, revision: number) => ({
  ...{ id: document.id, name: document.name, revision },
  text: JSON.stringify(document),
});

const newKey = (): string => randomUUID().slice(0, 8);
