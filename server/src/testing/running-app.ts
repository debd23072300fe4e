import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import supertest from 'supertest';
import { createApp } from '../api/app.js';
import { DailyCopies } from '../backup/daily-copies.js';
import { Database } from '../database/database.js';
import { Instruments } from '../instruments/instruments.js';
import type { Access } from '../reach/access.js';
import { storesOf, type Stores } from '../documents/stores.js';

export const DEMO_FOLDER = fileURLToPath(new URL('../../../demo', import.meta.url));

/** The real application on a file of its own in a temporary folder. @param accessTo who may use it from elsewhere, its files in that folder */
export async function runningApp(accessTo?: (folder: string) => Access) {
  const folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
  const database = await Database.open(folder);
  const stores: Stores = storesOf(database);
  const copies = new DailyCopies(database, folder);
  const access = accessTo?.(folder);
  const instruments = new Instruments(folder);
  const app = createApp({
    database,
    stores,
    copies,
    instruments,
    demoFolder: DEMO_FOLDER,
    ...(access && { access }),
  });
  return {
    app,
    copies,
    instruments,
    folder,
    database,
    stores,
    api: supertest(app),
    close: async () => {
      await database.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

export type RunningApp = Awaited<ReturnType<typeof runningApp>>;
