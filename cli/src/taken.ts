import type { Result } from '@knapsack/core';
import { InputProblem } from './terminal.js';

/** What was read from a file, or its first problem as the sentence to end with. */
export function taken<T>(file: string, result: Result<T>): T {
  if (result.ok) return result.value;
  const [first, ...others] = result.problems;
  const where = first.pointer ? ` at ${first.pointer}` : '';
  const more = others.length > 0 ? ` (and ${others.length} more)` : '';
  throw new InputProblem(`${file}${where}: ${first.sentence}${more}`);
}
