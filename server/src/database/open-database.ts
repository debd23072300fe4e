import { accessSync, chmodSync, closeSync, constants, mkdirSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { engine } from './engine.js';
import { TABLES } from './entities.js';
import { HOLD_FILE } from './folder-hold.js';
import { lookAtFile } from './look-at-file.js';
import { MIGRATION_NAMES, MIGRATIONS } from './migrations.js';
import { StartProblem } from './start-problem.js';

export { StartProblem } from './start-problem.js';

export const DATABASE_FILE = 'knapsack.sqlite';

/** The data are the user's own: nobody else on this computer reads them. */
const FOLDER_MODE = 0o700;
const FILE_MODE = 0o600;

/** Makes a data folder where it is missing, readable by its owner alone. @throws StartProblem if it cannot be written */
export function prepareFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true, mode: FOLDER_MODE });
    accessSync(folder, constants.W_OK);
    chmodSync(folder, FOLDER_MODE);
    // What SQLite puts beside a file has the file's own mode.
    for (const name of [DATABASE_FILE, HOLD_FILE]) {
      const file = join(folder, name);
      closeSync(openSync(file, 'a', FILE_MODE));
      chmodSync(file, FILE_MODE);
    }
  } catch (error) {
    throw new StartProblem(
      `Knapsack cannot write to its data folder ${folder}. Make it writable, or name another with KNAPSACK_DATA.`,
      { cause: error },
    );
  }
}

/**
 * Opens the file in a data folder, made if it is missing, has it looked at, and brings it up to date.
 *
 * @throws StartProblem if the folder cannot be made or written, the file is no database, is damaged or of a later release, or no
 * engine runs here
 */
export async function openDatabase(folder: string): Promise<DataSource> {
  prepareFolder(folder);
  const file = join(folder, DATABASE_FILE);
  const driver = engine();
  lookAtFile(driver, file, MIGRATION_NAMES);
  const source = new DataSource({
    type: 'better-sqlite3',
    driver,
    database: file,
    entities: Object.values(TABLES),
    migrations: [...MIGRATIONS],
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
      `Knapsack cannot open ${file}: ${error instanceof Error ? error.message : String(error)}.`,
      { cause: error },
    );
  }
}
