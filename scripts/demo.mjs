// npm run demo: Knapsack on a fresh file with the demo trips. Nothing of the user's own is touched.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from './serve.mjs';

const dataFolder = mkdtempSync(join(tmpdir(), 'knapsack-demo-'));
process.once('exit', () => rmSync(dataFolder, { recursive: true, force: true }));
await serve(({ port }) => ({ port, dataFolder, withDemo: true }));
