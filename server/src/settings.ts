import { homedir } from 'node:os';
import { join } from 'node:path';
import { readReach, type Reach } from './reach/reach.js';
import { StartProblem } from './database/start-problem.js';

export interface Settings {
  readonly dataFolder: string;
  readonly port: number;
  /** From where it is reached besides this machine; null for nowhere. */
  readonly reach: Reach | null;
}

export const DEFAULT_PORT = 4173;

/**
 * Data folder, port and reach from the environment (KNAPSACK_DATA, PORT; see {@link readReach}).
 *
 * @throws StartProblem with a sentence about what would not do
 */
export function readSettings(environment: NodeJS.ProcessEnv): Settings {
  const { KNAPSACK_DATA: folder, PORT: text } = environment;
  const port = text ? Number(text) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new StartProblem(`PORT must be a whole number from 0 to 65535; “${text}” is not.`);
  }
  return { dataFolder: folder || join(homedir(), '.knapsack'), port, reach: readReach(environment) };
}
