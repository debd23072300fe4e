import type { SqliteEngine } from './sqlite-engine.js';
import { StartProblem } from './start-problem.js';

/** The part of the engine's handle that reads names. */
interface Reader {
  prepare(statement: string): { pluck(): { all(): unknown[] } };
}

interface Handle extends Reader {
  pragma(statement: string, options?: { simple: boolean }): unknown;
  close(): void;
}

/**
 * Looks at a data file before anything touches it: whether SQLite finds it whole (quick_check), and whether a later release
 * has changed it.
 *
 * @param known names of the migrations that this release brings
 * @throws StartProblem with a sentence; the file is as it was
 */
export function lookAtFile(Engine: SqliteEngine, file: string, known: ReadonlySet<string>): void {
  let handle: Handle | null = null;
  try {
    handle = new Engine(file) as unknown as Handle;
    const found = handle.pragma('quick_check(1)', { simple: true });
    if (found !== 'ok') {
      throw new StartProblem(
        `The data file ${file} is damaged: ${String(found).split('\n')[0]}. Nothing was changed in it. Keep a copy of its folder, and restore a backup.`,
      );
    }
    const later = laterMigrations(handle, known);
    if (later.length > 0) {
      throw new StartProblem(
        `A later release of Knapsack has written ${file} (${later.join(', ')}). Nothing was changed in it: start that release, or name another folder with KNAPSACK_DATA.`,
      );
    }
  } catch (error) {
    if (error instanceof StartProblem) throw error;
    throw new StartProblem(
      `Knapsack cannot open ${file}: ${error instanceof Error ? error.message : String(error)}.`,
      { cause: error },
    );
  } finally {
    handle?.close();
  }
}

/** The changes of a data file that this release does not know, by name. @param known names of those that it brings */
export function laterMigrations(handle: Reader, known: ReadonlySet<string>): readonly string[] {
  const tables = handle.prepare(`SELECT name FROM sqlite_master WHERE type = 'table'`).pluck().all();
  if (!tables.includes('migrations')) return [];
  const names = handle.prepare('SELECT name FROM migrations').pluck().all().map(String);
  return names.filter((name) => !known.has(name));
}
