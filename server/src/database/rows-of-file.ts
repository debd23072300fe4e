import { engine } from './engine.js';
import { laterMigrations } from './look-at-file.js';
import { MIGRATION_NAMES } from './migrations.js';
import { StartProblem } from './start-problem.js';

interface Handle {
  prepare(statement: string): { all(): unknown[]; pluck(): { all(): unknown[] } };
  exec(statement: string): void;
  close(): void;
}

/** A row of a data file as it is, of whatever release. */
export interface FileRow {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly text: string;
}

/**
 * Reads tables out of a data file without changing it: a copy, or one that a running Knapsack holds. What is read is one moment.
 *
 * @param tables names of ours; one that the file does not have yet is empty
 * @throws StartProblem with a sentence if the file is none of ours, or of a later release
 */
export function rowsOfFile(file: string, tables: readonly string[]): ReadonlyMap<string, readonly FileRow[]> {
  const Engine = engine() as unknown as new (
    file: string,
    options: { readonly: boolean; fileMustExist: boolean; timeout: number },
  ) => Handle;
  let handle: Handle | null = null;
  try {
    handle = new Engine(file, { readonly: true, fileMustExist: true, timeout: 5000 });
    handle.exec('BEGIN');
    const later = laterMigrations(handle, MIGRATION_NAMES);
    if (later.length > 0) {
      throw new StartProblem(
        `A later release of Knapsack has written ${file} (${later.join(', ')}): use that one.`,
      );
    }
    const there = new Set(
      handle.prepare(`SELECT name FROM sqlite_master WHERE type = 'table'`).pluck().all(),
    );
    const reader = handle;
    return new Map(
      tables.map((table) => [
        table,
        there.has(table)
          ? (reader.prepare(`SELECT id, name, revision, text FROM "${table}" ORDER BY id`).all() as FileRow[])
          : [],
      ]),
    );
  } catch (error) {
    if (error instanceof StartProblem) throw error;
    throw new StartProblem(
      `Knapsack cannot read ${file}: ${error instanceof Error ? error.message : String(error)}.`,
      { cause: error },
    );
  } finally {
    handle?.close();
  }
}
