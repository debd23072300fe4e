// Serves Knapsack until it is told to stop; what start.mjs and demo.mjs share.
import { join } from 'node:path';
import { die, ensureInstalled, ensureLibraries, ensureWeb, ROOT } from './setup.mjs';

/** @param settingsOf from the environment's settings to what is served */
export async function serve(settingsOf) {
  ensureInstalled();
  ensureLibraries();
  ensureWeb();
  const { readSettings, start, StartProblem } = await import(`${ROOT}/server/dist/index.js`);
  try {
    const running = await start({
      webFolder: join(ROOT, 'web/dist/browser'),
      demoFolder: join(ROOT, 'demo'),
      ...settingsOf(readSettings(process.env)),
    });
    process.stdout.write(`Knapsack is at ${running.address}  (Ctrl+C stops it)\n`);
    for (const signal of ['SIGINT', 'SIGTERM']) {
      process.once(signal, () => void running.close().then(() => process.exit(0)));
    }
  } catch (error) {
    if (error instanceof StartProblem) die(error.message);
    throw error;
  }
}
