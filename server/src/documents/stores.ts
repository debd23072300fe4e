import {
  GEAR_SCHEMA,
  GEAR_VERSION,
  TRIP_SCHEMA,
  TRIP_VERSION,
  type Gear,
  type Trip,
} from '@knapsack/contract';
import { readGear, readTrip } from '@knapsack/contract/schemas';
import type { Database } from '../database/database.js';
import { GearTable, TripTable } from '../database/entities.js';
import { DocumentStore } from './document-store.js';

export interface Stores {
  readonly trips: DocumentStore<Trip>;
  readonly gear: DocumentStore<Gear>;
}

export const storesOf = (database: Database): Stores => ({
  trips: new DocumentStore<Trip>(database, {
    table: TripTable,
    schema: TRIP_SCHEMA,
    version: TRIP_VERSION,
    read: readTrip,
  }),
  gear: new DocumentStore<Gear>(database, {
    table: GearTable,
    schema: GEAR_SCHEMA,
    version: GEAR_VERSION,
    read: readGear,
  }),
});

/** Names of the collections; their tables are called the same. */
export const COLLECTIONS: readonly (keyof Stores)[] = ['trips', 'gear'];

/** Every collection by its name, as backups and addresses of the API say it. */
export const collections = (stores: Stores): ReadonlyMap<string, Collection> =>
  new Map<string, Collection>(COLLECTIONS.map((name) => [name, stores[name]]));

/** A collection whose documents are taken as texts. */
export type Collection = Pick<
  DocumentStore<Trip> | DocumentStore<Gear>,
  'keepIn' | 'rowsIn' | 'setAside' | 'text' | 'validate' | 'wrongWith'
>;
