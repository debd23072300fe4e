/** Why the data file could not be read or written. */
export type StorageCause = 'full' | 'readonly' | 'locked' | 'corrupt' | 'failed';

/** The file failed, not the request: what happened and what to do, in sentences for the person at the page. */
export class StorageProblem extends Error {
  constructor(
    readonly because: StorageCause,
    options?: ErrorOptions,
  ) {
    super(SENTENCES[because], options);
  }
}

const KEPT = 'Nothing was saved by this request; all that was saved before is there.';

const SENTENCES: Readonly<Record<StorageCause, string>> = {
  full: `The disk with Knapsack’s data is full. ${KEPT} Make room on it and try again.`,
  readonly: `Knapsack may not write to its data folder. ${KEPT} Make the folder and its files writable and try again.`,
  locked: `Another program holds Knapsack’s data file. ${KEPT} Close that program and try again.`,
  corrupt: `Knapsack’s data file is damaged. ${KEPT} Stop Knapsack, keep a copy of its data folder, and restore a backup.`,
  failed: `The disk with Knapsack’s data does not answer as it should. ${KEPT} Look at the disk and try again.`,
};

/** Result codes of SQLite and of the operating system by their beginning, the longer first. Source: sqlite.org, Result and Error Codes. */
const CAUSES: readonly (readonly [code: string, because: StorageCause])[] = [
  ['SQLITE_FULL', 'full'],
  ['SQLITE_IOERR_WRITE', 'full'],
  ['SQLITE_IOERR_SHMSIZE', 'full'],
  ['SQLITE_IOERR', 'failed'],
  ['SQLITE_READONLY', 'readonly'],
  ['SQLITE_PERM', 'readonly'],
  ['SQLITE_CANTOPEN', 'readonly'],
  ['SQLITE_BUSY', 'locked'],
  ['SQLITE_LOCKED', 'locked'],
  ['SQLITE_CORRUPT', 'corrupt'],
  ['SQLITE_NOTADB', 'corrupt'],
  // The operating system's own.
  ['ENOSPC', 'full'],
  ['EROFS', 'readonly'],
  ['EACCES', 'readonly'],
  ['EPERM', 'readonly'],
];

/** The code that the engine gave an error, through TypeORM or not; empty for an error of any other kind. */
function codeOf(error: unknown): string {
  if (typeof error !== 'object' || error === null) return '';
  const { driverError, code } = error as { driverError?: { code?: unknown }; code?: unknown };
  return String(driverError?.code ?? code ?? '');
}

/** An error of the engine as the problem that it is; null for any other error, such as a broken rule of a table. */
export function storageProblem(error: unknown): StorageProblem | null {
  if (error instanceof StorageProblem) return error;
  const code = codeOf(error);
  const found = CAUSES.find(([begins]) => code.startsWith(begins));
  return found ? new StorageProblem(found[1], { cause: error }) : null;
}
