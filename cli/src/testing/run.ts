import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { main } from '../main.js';

export const DEMO = fileURLToPath(new URL('../../../demo', import.meta.url));

/** Runs a command as the terminal does: its exit code, and what it printed on each stream. */
export const run = (...args: string[]) => runTyping([], ...args);

/** The same, somebody typing lines where they are asked for. */
export async function runTyping(lines: readonly string[], ...args: string[]) {
  let out = '';
  let err = '';
  const typed = [...lines];
  const code = await main(args, {
    out: (text) => (out += text),
    err: (text) => (err += text),
    askHidden: () => Promise.resolve(typed.shift() ?? null),
  });
  return { code, out, err };
}

/** What is refused is refused in one line on standard error, with nothing printed. */
export function expectSentence({ code, out, err }: Awaited<ReturnType<typeof run>>, words: string): void {
  expect(code).toBe(2);
  expect(out).toBe('');
  expect(err.trim().split('\n').length).toBe(1);
  expect(err).toContain(words);
}

const made: string[] = [];
process.once('exit', () => made.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

/** A folder of its own, gone when the run is over. */
export function newFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
  made.push(folder);
  return folder;
}

/** A file of its own with some text in it, gone when the run is over. */
export function file(text: string): string {
  const path = join(newFolder(), 'file.json');
  writeFileSync(path, text);
  return path;
}
