import { readSettings, StartProblem } from '@knapsack/server/backup';
import { InputProblem } from './terminal.js';

/** The user's own data folder: KNAPSACK_DATA, or ~/.knapsack. */
export const dataFolder = (): string => readSettings(process.env).dataFolder;

/** Works on the data folder; where it cannot be had, that is told like any input that cannot be used. */
export async function fromFolder(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    throw error instanceof StartProblem ? new InputProblem(error.message) : error;
  }
}
