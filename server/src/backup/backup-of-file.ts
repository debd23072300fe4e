import { rowsOfFile } from '../database/rows-of-file.js';
import { COLLECTIONS } from '../documents/stores.js';
import type { Backup } from './backup.js';

/**
 * What a copy of a data file holds, as a backup.
 *
 * @param madeAt ISO 8601, UTC
 * @throws StartProblem with a sentence if it cannot be read
 */
export function backupOfFile(file: string, madeAt: string): Backup {
  const rows = rowsOfFile(file, COLLECTIONS);
  return {
    madeAt,
    documents: [...rows].flatMap(([kind, found]) => found.map((row) => ({ kind, ...row }))),
  };
}
