import { accessSync, constants, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { GearTable, TripTable } from './entities.js';
import { MIGRATIONS } from './migrations.js';
import { EngineProblem, sqliteEngine } from './sqlite-engine.js';

export const DATABASE_FILE = 'knapsack.sqlite';

/** A start that cannot succeed, in a sentence for the person at the terminal. */
export class StartProblem extends Error {}

/**
 * Opens the file in a data folder, made if it is missing, and brings it up to date.
 *
 * @throws StartProblem if the folder cannot be made or written, the file is no database, or no engine runs here
 */
export async function openDatabase(folder: string): Promise<DataSource> {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
  } catch {
    throw new StartProblem(
      `Knapsack cannot write to its data folder ${folder}. Make it writable, or name another with KNAPSACK_DATA.`,
    );
  }
  const source = new DataSource({
    type: 'better-sqlite3',
    driver: engine(),
    database: join(folder, DATABASE_FILE),
    entities: [TripTable, GearTable],
    migrations: MIGRATIONS,
    migrationsRun: true,
    enableWAL: true,
    prepareDatabase: (database: { pragma(statement: string): unknown }) => {
      database.pragma('synchronous = FULL');
      database.pragma('busy_timeout = 5000');
    },
  });
  try {
    return await source.initialize();
  } catch (error) {
    throw new StartProblem(
      `Knapsack cannot open ${join(folder, DATABASE_FILE)}: ${error instanceof Error ? error.message : String(error)}.`,
    );
  }
}

function engine() {
  try {
    return sqliteEngine();
  } catch (error) {
    if (error instanceof EngineProblem) throw new StartProblem(error.message);
    throw error;
  }
}
