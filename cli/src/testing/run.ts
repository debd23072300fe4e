import { fileURLToPath } from 'node:url';
import { main } from '../main.js';

export const DEMO = fileURLToPath(new URL('../../../demo', import.meta.url));

/** Runs a command as the terminal does: its exit code, and what it printed on each stream. */
export async function run(...args: string[]) {
  let out = '';
  let err = '';
  const code = await main(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, out, err };
}

/** What is refused is refused in one line on standard error, with nothing printed. */
export function expectSentence({ code, out, err }: Awaited<ReturnType<typeof run>>, words: string): void {
  expect(code).toBe(2);
  expect(out).toBe('');
  expect(err.trim().split('\n').length).toBe(1);
  expect(err).toContain(words);
}
