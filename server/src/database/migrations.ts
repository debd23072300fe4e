import type { MigrationInterface } from 'typeorm';
import { CreateDocuments1790000000000 } from './migrations/create-documents.js';
import { DebriefsBesideTrips1796300000000 } from './migrations/debriefs-beside-trips.js';
import { LogsBesideTrips1796200000000 } from './migrations/logs-beside-trips.js';
import { TicksBesideTrips1796000000000 } from './migrations/ticks-beside-trips.js';

/** In the order they run; a released one is never changed, and holds its own names. */
export const MIGRATIONS: readonly (new () => MigrationInterface)[] = [
  CreateDocuments1790000000000,
  TicksBesideTrips1796000000000,
  LogsBesideTrips1796200000000,
  DebriefsBesideTrips1796300000000,
];

/** Their names, as they stand in a data file. */
export const MIGRATION_NAMES: ReadonlySet<string> = new Set(
  MIGRATIONS.map((Migration) => new Migration().name!),
);
