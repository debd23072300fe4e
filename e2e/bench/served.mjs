import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { start } from '@knapsack/server';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));

/** Runs something against a server with the demo data on a fresh file. */
export async function served(work) {
  const dataFolder = mkdtempSync(join(tmpdir(), 'knapsack-bench-'));
  const options = {
    dataFolder,
    port: 0,
    webFolder: join(ROOT, 'web/dist/browser'),
    demoFolder: join(ROOT, 'demo'),
    withDemo: true,
  };
  const running = await start(options);
  try {
    return await work(running.address);
  } finally {
    await running.close();
    rmSync(dataFolder, { recursive: true, force: true });
  }
}
