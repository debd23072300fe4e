import { Router } from 'express';
import { collections, type Stores } from '../documents/stores.js';
import { sendProblem } from './problems.js';

/** Stored rows that this release cannot hand out: their list, and the text of one, to be kept before it is deleted. */
export function setAsideRoutes(stores: Stores): Router {
  const router = Router();
  const kinds = collections(stores);

  router.get('/', async (_request, response) => {
    const found = await Promise.all(
      [...kinds].map(async ([kind, store]) => (await store.setAside()).map((row) => ({ kind, ...row }))),
    );
    response.json(found.flat());
  });

  router.get('/:kind/:id', async ({ params: { kind, id } }, response) => {
    const text = (await kinds.get(kind)?.text(id)) ?? null;
    if (text === null) return sendProblem(response, 404, 'There is nothing of that name in the data file.');
    response.attachment(`${kind}-set-aside.txt`).type('text/plain').send(text);
  });

  return router;
}
