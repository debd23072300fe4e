import {
  GEAR_SCHEMA,
  GEAR_VERSION,
  PACKING_SCHEMA,
  PACKING_VERSION,
  REHEARSAL_SCHEMA,
  REHEARSAL_VERSION,
  TRIP_SCHEMA,
  TRIP_VERSION,
  type Gear,
  type PackingDocument,
  type RehearsalDocument,
  type Trip,
} from '@knapsack/contract';
import { readGear, readPacking, readRehearsal, readTrip } from '@knapsack/contract/schemas';
import type { Database } from '../database/database.js';
import { TABLES } from '../database/entities.js';
import { putBeside, removeBeside, type BesideTrips } from './beside.js';
import { DocumentStore } from './document-store.js';

export interface Stores extends BesideTrips {
  readonly trips: DocumentStore<Trip>;
  readonly gear: DocumentStore<Gear>;
}

export function storesOf(database: Database): Stores {
  const beside: BesideTrips = {
    packings: new DocumentStore<PackingDocument>(database, {
      table: TABLES.packings,
      schema: PACKING_SCHEMA,
      version: PACKING_VERSION,
      read: readPacking,
      nameOf: ({ id }) => id,
    }),
    rehearsals: new DocumentStore<RehearsalDocument>(database, {
      table: TABLES.rehearsals,
      schema: REHEARSAL_SCHEMA,
      version: REHEARSAL_VERSION,
      read: readRehearsal,
      nameOf: ({ id }) => id,
    }),
  };
  return {
    ...beside,
    trips: new DocumentStore<Trip>(database, {
      table: TABLES.trips,
      schema: TRIP_SCHEMA,
      version: TRIP_VERSION,
      read: readTrip,
      nameOf: ({ name }) => name,
      put: (manager, trip) => putBeside(manager, beside, trip),
      removed: (manager, id) => removeBeside(manager, beside, id),
    }),
    gear: new DocumentStore<Gear>(database, {
      table: TABLES.gear,
      schema: GEAR_SCHEMA,
      version: GEAR_VERSION,
      read: readGear,
      nameOf: ({ name }) => name,
    }),
  };
}

/** Names of the collections; their tables are called the same. */
export const COLLECTIONS: readonly (keyof Stores)[] = ['trips', 'gear', 'packings', 'rehearsals'];

/** Every collection by its name, as backups and addresses of the API say it. */
export const collections = (stores: Stores): ReadonlyMap<string, Collection> =>
  new Map<string, Collection>(COLLECTIONS.map((name) => [name, stores[name]]));

/** A collection whose documents are taken as texts. */
export type Collection = Pick<
  Stores[keyof Stores],
  'keepIn' | 'rowsIn' | 'setAside' | 'text' | 'validate' | 'wrongWith' | 'nameOf'
>;
