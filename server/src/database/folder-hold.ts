import { join } from 'node:path';
import { engine } from './engine.js';
import { StartProblem } from './start-problem.js';

/** What keeps a second Knapsack out of a data folder. */
export const HOLD_FILE = 'knapsack.lock';

/** Another Knapsack runs on the data folder. */
export class HeldProblem extends StartProblem {}

export interface FolderHold {
  release(): void;
}

interface Handle {
  pragma(statement: string): unknown;
  exec(statement: string): void;
  close(): void;
}

/**
 * Takes a data folder for this program alone, until it ends in whatever way: the lock is one of the operating system's on a
 * small database beside the data, which a killed program cannot leave behind.
 *
 * @throws HeldProblem if another Knapsack has it
 */
export function holdFolder(folder: string): FolderHold {
  const Engine = engine() as unknown as new (file: string, options: { timeout: number }) => Handle;
  let handle: Handle | null = null;
  try {
    handle = new Engine(join(folder, HOLD_FILE), { timeout: 0 });
    handle.pragma('journal_mode = DELETE');
    handle.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    handle?.close();
    if (!/^SQLITE_(BUSY|LOCKED)/.test(String((error as { code?: unknown }).code))) {
      // A folder that takes no lock is told of by what opens the data file next; here it stops nobody.
      return { release: () => undefined };
    }
    throw new HeldProblem(
      `Another Knapsack is using the data folder ${folder}. Use that one, stop it, or name another folder with KNAPSACK_DATA.`,
    );
  }
  const held = handle;
  return { release: () => held.close() };
}
