import { createInterface, type Interface } from 'node:readline';
import { Writable } from 'node:stream';

let lines: AsyncIterator<string> | null = null;
let open: Interface | null = null;

/**
 * Asks at the terminal for a line that is not shown as it is typed; where something is piped in, its next line is taken.
 *
 * @returns null where nothing more comes
 */
export async function askHidden(question: string): Promise<string | null> {
  const isTerminal = process.stdin.isTTY;
  if (isTerminal) process.stderr.write(question);
  const nowhere = new Writable({ write: (_chunk, _encoding, done) => done() });
  open ??= createInterface({ input: process.stdin, output: nowhere, terminal: isTerminal });
  lines ??= open[Symbol.asyncIterator]();
  const { value, done } = await lines.next();
  if (isTerminal) process.stderr.write('\n');
  return done ? null : value;
}

/** Lets the terminal go, so that the program can end. */
export function askNoMore(): void {
  open?.close();
  open = null;
  lines = null;
}
