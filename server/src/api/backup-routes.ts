import { raw, Router, type Request, type Response } from 'express';
import type { FileCheck } from '@knapsack/contract';
import { readDifferentChoice } from '@knapsack/contract/schemas';
import { backupOfFile } from '../backup/backup-of-file.js';
import { readBackup, writeBackup, type Backup } from '../backup/backup.js';
import type { DailyCopies } from '../backup/daily-copies.js';
import { everythingKept } from '../backup/kept.js';
import { lookAtBackup, restoreBackup } from '../backup/restore.js';
import type { Database } from '../database/database.js';
import type { Stores } from '../documents/stores.js';
import { sendProblem } from './problems.js';

export interface BackupRoutes {
  readonly database: Database;
  readonly stores: Stores;
  readonly copies: DailyCopies;
}

/** What the body of a backup is sent as. */
export const ZIP = 'application/zip';
const BODY_LIMIT = '256mb';

/** Everything out as one file and in again, the server's own copies, and a look at the data file. */
export function backupRoutes({ database, stores, copies }: BackupRoutes): Router {
  const router = Router();
  const body = raw({ type: ZIP, limit: BODY_LIMIT });

  /** The backup of a body, or null after a problem was answered. */
  const sent = async (request: Request, response: Response): Promise<Backup | null> => {
    if (!Buffer.isBuffer(request.body)) {
      sendProblem(response, 422, `Send the backup itself, as ${ZIP}.`);
      return null;
    }
    const backup = await readBackup(request.body);
    if (backup.ok) return backup.value;
    sendProblem(response, 422, backup.problems[0].sentence, backup.problems);
    return null;
  };
  /** What a copy holds, or null after a problem was answered. */
  const copied = (request: Request, response: Response): Backup | null => {
    const file = copies.fileOf(String(request.params['name']));
    const copy = copies.list().copies.find(({ name }) => name === request.params['name']);
    if (file && copy) return backupOfFile(file, copy.madeAt);
    sendProblem(response, 404, 'There is no copy of that name.');
    return null;
  };
  const restore = async (request: Request, response: Response, backup: Backup | null) => {
    if (!backup) return;
    const different = readDifferentChoice(request.query['different']);
    if (!different.ok) return sendProblem(response, 422, different.problems[0].sentence);
    response.json(
      await restoreBackup(database, stores, backup, different.value, () => copies.beforeRestore()),
    );
  };
  const look = async (response: Response, backup: Backup | null) => {
    if (backup) response.json(await lookAtBackup(database, stores, backup));
  };

  router.get('/', async (_request, response) => {
    const kept = await everythingKept(database, stores);
    const madeAt = new Date();
    response.attachment(`knapsack-${madeAt.toISOString().slice(0, 10)}.zip`).type(ZIP);
    writeBackup(kept, madeAt).pipe(response);
  });
  router.post('/look', body, async (request, response) => look(response, await sent(request, response)));
  router.post('/restore', body, async (request, response) =>
    restore(request, response, await sent(request, response)),
  );

  router.get('/copies', (_request, response) => {
    response.json(copies.list());
  });
  router.post('/copies/:name/look', (request, response) => look(response, copied(request, response)));
  router.post('/copies/:name/restore', (request, response) =>
    restore(request, response, copied(request, response)),
  );

  router.post('/check', async (_request, response) => {
    const faults = await database.check();
    const kept = await everythingKept(database, stores);
    const bytes = kept.reduce((sum, { text }) => sum + Buffer.byteLength(text), 0);
    const answer: FileCheck = { documents: kept.length, bytes, faults };
    response.json(answer);
  });

  return router;
}
