import type { Problem, Result } from '@knapsack/core';
import { InputProblem } from './terminal.js';

/** What was read from a file, or its first problem as the sentence to end with. */
export function taken<T>(file: string, result: Result<T>): T {
  if (result.ok) return result.value;
  throw new InputProblem(problemLine(file, result.problems));
}

/** The first problem of a file, where it is, and how many more there are. */
export function problemLine(file: string, [first, ...others]: readonly Problem[]): string {
  const where = first.pointer ? ` at ${first.pointer}` : '';
  const more = others.length > 0 ? ` (and ${others.length} more)` : '';
  return `${file}${where}: ${first.sentence}${more}`;
}
