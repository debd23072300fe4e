import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { StartProblem } from './database/start-problem.js';
import { readSettings } from './settings.js';
import { sayElsewhere } from './reach/say-elsewhere.js';
import { start } from './start.js';

export interface Installation {
  /** The built page. */
  readonly webFolder: string;
  /** The demo documents. */
  readonly demoFolder: string;
}

/**
 * Serves until Ctrl+C or a signal to end: what `npm start`, `npm run demo` and the released program all do.
 *
 * @param data whose: the user's own folder, or the demo trips on a fresh file that goes when the server stops
 * @returns once it answers; where it cannot start, a sentence is printed and the exit code is 1
 */
export async function serve(
  data: 'own' | 'demo',
  installation: Installation,
  environment: NodeJS.ProcessEnv = process.env,
): Promise<void> {
  try {
    const settings = readSettings(environment);
    const withDemo = data === 'demo';
    const running = await start({
      ...installation,
      ...settings,
      ...(withDemo && { dataFolder: temporaryFolder(), accessFolder: settings.dataFolder }),
      withDemo,
    });
    // The last resort: what nobody has caught is told, and the others are served on.
    for (const event of ['uncaughtException', 'unhandledRejection'] as const) {
      process.on(event, (error) => {
        process.stderr.write(
          `A fault in Knapsack, which goes on: ${String((error as Error)?.stack ?? error)}\n`,
        );
      });
    }
    process.stdout.write(`Knapsack is at ${running.address}  (Ctrl+C stops it)\n`);
    process.stdout.write(sayElsewhere(running.elsewhere(), process.stdout.isTTY));
    for (const signal of ['SIGINT', 'SIGTERM'] as const) {
      process.once(signal, () => void running.close().then(() => process.exit(0)));
    }
  } catch (error) {
    if (!(error instanceof StartProblem)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exitCode = 1;
  }
}

function temporaryFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'knapsack-demo-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  return folder;
}
