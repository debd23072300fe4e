import {
  GEAR_SCHEMA,
  GEAR_VERSION,
  TRIP_SCHEMA,
  TRIP_VERSION,
  type Gear,
  type Trip,
} from '@knapsack/contract';
import type { Database } from '../database/database.js';
import { GearTable, TripTable } from '../database/entities.js';
import { DocumentStore } from './document-store.js';

export interface Stores {
  readonly trips: DocumentStore<Trip>;
  readonly gear: DocumentStore<Gear>;
}

export const storesOf = (database: Database): Stores => ({
  trips: new DocumentStore<Trip>(database, { table: TripTable, schema: TRIP_SCHEMA, version: TRIP_VERSION }),
  gear: new DocumentStore<Gear>(database, { table: GearTable, schema: GEAR_SCHEMA, version: GEAR_VERSION }),
});
