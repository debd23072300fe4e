import { existsSync, readFileSync, statSync } from 'node:fs';
import { InputProblem } from './terminal.js';

const LARGEST_FILE = 20 * 1024 * 1024;

/**
 * The text of a file.
 *
 * @throws InputProblem with a sentence if there is no such file, or none that can be read
 */
export function readText(file: string): string {
  if (!existsSync(file)) throw new InputProblem(`There is no file ${file}.`);
  const info = statSync(file);
  if (!info.isFile()) throw new InputProblem(`${file} is not a file.`);
  if (info.size > LARGEST_FILE)
    throw new InputProblem(`${file} is larger than 20 MB, which no document of Knapsack is.`);
  return readFileSync(file, 'utf8').replace(/^\uFEFF/, '');
}

/**
 * What a JSON file holds.
 *
 * @throws InputProblem with a sentence if there is no such file, or none that can be read
 */
export function readJson(file: string): unknown {
  const text = readText(file);
  try {
    return JSON.parse(text);
  } catch {
    throw new InputProblem(`${file} is not JSON that can be read.`);
  }
}
