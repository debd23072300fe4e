import { Router, type Response } from 'express';
import { emptyLog, MOST_LOG_ENTRIES, type LogDocument, type Stored } from '@knapsack/contract';
import { readLog } from '@knapsack/contract/schemas';
import type { DocumentStore, Refusal } from '../documents/document-store.js';
import { joinLog } from '../documents/join-log.js';
import { sendProblem } from './problems.js';

/**
 * Logs of outings. Whoever writes adds: entries are joined with those that stand there, so that two devices never overwrite each
 * other and one that sends again does no harm. There is no revision to name, and nothing to delete.
 */
export function logRoutes(logs: DocumentStore<LogDocument>): Router {
  const router = Router();

  router.get('/:trip', async (request, response) => {
    const { trip } = request.params;
    const stored = await logs.read(trip);
    if (stored) return sendLog(response, stored);
    if ((await logs.text(trip)) !== null) return sendLocked(response);
    const none = readLog(emptyLog(trip));
    if (!none.ok) return sendProblem(response, 404, 'There is no such trip.');
    sendLog(response, { revision: 0, document: none.value });
  });

  router.post('/:trip', async (request, response) => {
    const read = readLog(request.body);
    if (!read.ok) return sendProblem(response, 422, read.problems[0].sentence, read.problems);
    const { value: sent } = read;
    if (sent.trip !== request.params.trip) {
      const sentence = `The log in the body is of “${sent.trip}”, the address says “${request.params.trip}”.`;
      return sendProblem(response, 422, sentence, [{ code: 'other-id', pointer: '/trip', sentence }]);
    }
    const joined = await joinLog(logs, sent);
    if (joined.ok) sendLog(response, joined.stored);
    else sendNotJoined(response, joined.refusal);
  });

  return router;
}

/** Why entries were not taken into a log. */
export function sendNotJoined(response: Response, refusal: Refusal): void {
  if (refusal === 'locked') return sendLocked(response);
  const sentence = `A log holds ${MOST_LOG_ENTRIES} entries at the most; with these it would hold more. Nothing was taken.`;
  sendProblem(response, 422, sentence, [{ code: 'too-many', pointer: '/entries', sentence }]);
}

const sendLocked = (response: Response): void =>
  sendProblem(
    response,
    409,
    'This log cannot be read by this release of Knapsack, so it is not written over.',
  );

function sendLog(response: Response, { revision, document }: Stored<LogDocument>): void {
  response.set('ETag', `"${revision}"`).json(document);
}
