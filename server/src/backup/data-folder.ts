import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { BackupLook, DifferentChoice, Restored, Trip } from '@knapsack/contract';
import type { TripFileChoice } from '@knapsack/contract/formats';
import { Database } from '../database/database.js';
import { HeldProblem } from '../database/folder-hold.js';
import { DATABASE_FILE } from '../database/open-database.js';
import { StartProblem } from '../database/start-problem.js';
import { takeTrip, type TakenIn } from '../documents/take-trip.js';
import { storesOf, type Stores } from '../documents/stores.js';
import { backupOfFile } from './backup-of-file.js';
import type { Backup } from './backup.js';
import { DailyCopies } from './daily-copies.js';
import { everythingKept, type Kept } from './kept.js';
import { lookAtBackup, restoreBackup } from './restore.js';

/**
 * Everything that a data folder holds, for the terminal. A Knapsack that runs on it may go on: its file is read beside it.
 *
 * @throws StartProblem with a sentence if there are no data, or none that can be read
 */
export async function everythingIn(dataFolder: string): Promise<readonly Kept[]> {
  if (!existsSync(join(dataFolder, DATABASE_FILE))) {
    throw new StartProblem(
      `There are no data of Knapsack in ${dataFolder}. KNAPSACK_DATA names another folder.`,
    );
  }
  try {
    return await inFolder(dataFolder, ({ database, stores }) => everythingKept(database, stores));
  } catch (error) {
    if (!(error instanceof HeldProblem)) throw error;
    const file = join(dataFolder, DATABASE_FILE);
    return backupOfFile(file, new Date().toISOString()).documents;
  }
}

/** What a restore into a data folder would find. @throws StartProblem if a Knapsack runs on it, or it cannot be had */
export const lookAtRestore = (dataFolder: string, backup: Backup): Promise<BackupLook> =>
  inFolder(dataFolder, ({ database, stores }) => lookAtBackup(database, stores, backup));

/** Restores a backup into a data folder. @throws StartProblem if a Knapsack runs on it, or it cannot be had */
export const restoreInto = (
  dataFolder: string,
  backup: Backup,
  different: DifferentChoice,
): Promise<Restored> =>
  inFolder(dataFolder, ({ database, stores, copies }) =>
    restoreBackup(database, stores, backup, different, () => copies.beforeRestore()),
  );

/** Takes a trip out of a file into a data folder. @throws StartProblem if a Knapsack runs on it, or it cannot be had */
export const takeInto = (dataFolder: string, trip: Trip, choice: TripFileChoice): Promise<TakenIn> =>
  inFolder(dataFolder, ({ database, stores }) => takeTrip(database, stores, trip, choice));

interface Opened {
  readonly database: Database;
  readonly stores: Stores;
  readonly copies: DailyCopies;
}

async function inFolder<Outcome>(
  dataFolder: string,
  work: (opened: Opened) => Promise<Outcome>,
): Promise<Outcome> {
  const database = await Database.open(dataFolder);
  try {
    const copies = new DailyCopies(database, dataFolder);
    return await work({ database, stores: storesOf(database), copies });
  } finally {
    await database.close();
  }
}
