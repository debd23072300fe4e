import { homedir } from 'node:os';
import { join } from 'node:path';
import { StartProblem } from './database/start-problem.js';

export interface Settings {
  readonly dataFolder: string;
  readonly port: number;
}

export const DEFAULT_PORT = 4173;

/**
 * Data folder and port from the environment (KNAPSACK_DATA, PORT).
 *
 * @throws StartProblem with a sentence if PORT is no port
 */
export function readSettings(environment: NodeJS.ProcessEnv): Settings {
  const { KNAPSACK_DATA: folder, PORT: text } = environment;
  const port = text ? Number(text) : DEFAULT_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new StartProblem(`PORT must be a whole number from 0 to 65535; “${text}” is not.`);
  }
  return { dataFolder: folder || join(homedir(), '.knapsack'), port };
}
