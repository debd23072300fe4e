import {
  DEBRIEF_SCHEMA,
  DEBRIEF_VERSION,
  GEAR_SCHEMA,
  GEAR_VERSION,
  LOG_SCHEMA,
  LOG_VERSION,
  PACKING_SCHEMA,
  PACKING_VERSION,
  REHEARSAL_SCHEMA,
  REHEARSAL_VERSION,
  REQUIREMENTS_SCHEMA,
  REQUIREMENTS_VERSION,
  TRIP_SCHEMA,
  TRIP_VERSION,
  type DebriefNotes,
  type Gear,
  type LogDocument,
  type PackingDocument,
  type RehearsalDocument,
  type RequirementsDocument,
  type Trip,
} from '@knapsack/contract';
import {
  readDebrief,
  readGear,
  readLog,
  readPacking,
  readRehearsal,
  readRequirements,
  readTrip,
} from '@knapsack/contract/schemas';
import type { Database } from '../database/database.js';
import { TABLES } from '../database/entities.js';
import { putBeside, removeBeside, type BesideTrips } from './beside.js';
import { DocumentStore } from './document-store.js';

export interface Stores extends BesideTrips {
  readonly trips: DocumentStore<Trip>;
  readonly gear: DocumentStore<Gear>;
  /** By trip. A log stays when its trip is deleted: put back, the trip has it again. */
  readonly logs: DocumentStore<LogDocument>;
  /** By trip; they stay as the logs do. */
  readonly debriefs: DocumentStore<DebriefNotes>;
  readonly requirements: DocumentStore<RequirementsDocument>;
}

export function storesOf(database: Database): Stores {
  const beside: BesideTrips = {
    packings: new DocumentStore<PackingDocument>(database, {
      table: TABLES.packings,
      schema: PACKING_SCHEMA,
      version: PACKING_VERSION,
      idOf: ({ id }) => id,
      read: readPacking,
      nameOf: ({ id }) => id,
    }),
    rehearsals: new DocumentStore<RehearsalDocument>(database, {
      table: TABLES.rehearsals,
      schema: REHEARSAL_SCHEMA,
      version: REHEARSAL_VERSION,
      idOf: ({ id }) => id,
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
      idOf: ({ id }) => id,
      read: readTrip,
      nameOf: ({ name }) => name,
      put: (manager, trip) => putBeside(manager, beside, trip),
      removed: (manager, id) => removeBeside(manager, beside, id),
    }),
    gear: new DocumentStore<Gear>(database, {
      table: TABLES.gear,
      schema: GEAR_SCHEMA,
      version: GEAR_VERSION,
      idOf: ({ id }) => id,
      read: readGear,
      nameOf: ({ name }) => name,
    }),
    logs: new DocumentStore<LogDocument>(database, {
      table: TABLES.logs,
      schema: LOG_SCHEMA,
      version: LOG_VERSION,
      idOf: ({ trip }) => trip,
      read: readLog,
      nameOf: ({ trip }) => trip,
    }),
    debriefs: new DocumentStore<DebriefNotes>(database, {
      table: TABLES.debriefs,
      schema: DEBRIEF_SCHEMA,
      version: DEBRIEF_VERSION,
      idOf: ({ id }) => id,
      read: readDebrief,
      nameOf: ({ id }) => id,
    }),
    requirements: new DocumentStore<RequirementsDocument>(database, {
      table: TABLES.requirements,
      schema: REQUIREMENTS_SCHEMA,
      version: REQUIREMENTS_VERSION,
      idOf: ({ id }) => id,
      read: readRequirements,
      nameOf: ({ id }) => id,
    }),
  };
}

/** Names of the collections; their tables are called the same. */
export const COLLECTIONS: readonly (keyof Stores)[] = [
  'trips',
  'gear',
  'packings',
  'rehearsals',
  'logs',
  'debriefs',
  'requirements',
];

/** Every collection by its name, as backups and addresses of the API say it. */
export const collections = (stores: Stores): ReadonlyMap<string, Collection> =>
  new Map<string, Collection>(COLLECTIONS.map((name) => [name, stores[name]]));

/** A collection whose documents are taken as texts. */
export type Collection = Pick<
  Stores[keyof Stores],
  'keepIn' | 'rowsIn' | 'setAside' | 'text' | 'validate' | 'wrongWith' | 'idOf' | 'nameOf'
>;
