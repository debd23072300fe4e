import { Router, type Request, type Response } from 'express';
import type { Stored } from '@knapsack/contract';
import type { DocumentStore, Listed, Named, Refusal } from '../documents/document-store.js';
import { sendProblem, type ProblemStatus } from './problems.js';

export interface DocumentRoutes<Document extends Named> {
  /** What one document is called in a sentence: "trip". */
  readonly what: string;
  readonly store: DocumentStore<Document>;
  /** One entry of the list. */
  readonly summarise: (stored: Listed<Document>) => unknown;
  /** The document that stands for one that was never written: it is given with revision 0, and writing over that makes it. */
  readonly unwritten?: (id: string) => Document;
  /** A sentence if the document must stay; null if it may go. */
  readonly mayDelete?: (id: string) => Promise<string | null>;
}

/**
 * List, read, create, replace and delete documents of one kind. The ETag is the revision; replacing and
 * deleting ask for it in If-Match, so that two tabs cannot overwrite each other silently.
 */
export function documentRoutes<Document extends Named>(routes: DocumentRoutes<Document>): Router {
  const { what, store, summarise, mayDelete, unwritten } = routes;
  const router = Router();

  const refused = (response: Response, refusal: Refusal): void => {
    const [status, detail] = REFUSALS[refusal];
    sendProblem(response, status, detail.replace('WHAT', what));
  };

  /** The document of the body, or null after a problem was answered. */
  const bodyOf = (request: Request, response: Response): Document | null => {
    const document = store.validate(request.body);
    if (document.ok) return document.value;
    const { problems } = document;
    sendProblem(response, 422, problems[0].sentence, problems);
    return null;
  };

  router.get('/', async (_request, response) => {
    response.json((await store.list()).map(summarise));
  });

  router.get('/:id', async (request, response) => {
    const { id } = request.params;
    const stored = await store.read(id);
    if (stored) return sendStored(response, stored);
    if (!unwritten) return refused(response, 'missing');
    // A row that cannot be read is not taken for none.
    if ((await store.text(id)) !== null) return refused(response, 'locked');
    const none = store.validate(unwritten(id));
    if (!none.ok) return refused(response, 'missing');
    sendStored(response, { revision: 0, document: none.value });
  });

  router.post('/', async (request, response) => {
    const document = bodyOf(request, response);
    if (!document) return;
    const written = await store.create(document);
    if (!written.ok) return refused(response, written.refusal);
    response.status(201).location(`${request.baseUrl}/${document.id}`);
    sendStored(response, written.stored);
  });

  router.put('/:id', async (request, response) => {
    const revision = revisionOf(request, response);
    if (revision === null) return;
    const document = bodyOf(request, response);
    if (!document) return;
    if (document.id !== request.params.id) {
      const sentence = `The ${what} in the body is called “${document.id}”, the address says “${request.params.id}”.`;
      return sendProblem(response, 422, sentence, [{ code: 'other-id', pointer: '/id', sentence }]);
    }
    const written =
      unwritten && revision === 0 ? await store.create(document) : await store.replace(document, revision);
    if (!written.ok) return refused(response, written.refusal === 'exists' ? 'changed' : written.refusal);
    sendStored(response, written.stored);
  });

  router.delete('/:id', async (request, response) => {
    const revision = revisionOf(request, response);
    if (revision === null) return;
    const keep = await mayDelete?.(request.params.id);
    if (keep) return sendProblem(response, 409, keep);
    const removed = await store.remove(request.params.id, revision);
    if (!removed.ok) return refused(response, removed.refusal);
    response.status(204).end();
  });

  return router;
}

const REFUSALS: Record<Refusal, readonly [ProblemStatus, string]> = {
  missing: [404, 'There is no such WHAT.'],
  exists: [409, 'There is a WHAT with this id already.'],
  locked: [409, 'This WHAT cannot be read by this release of Knapsack, so it is not written over.'],
  unfit: [422, 'The WHAT would not do like this.'],
  changed: [412, 'The WHAT was changed by someone else, perhaps in another tab. Nothing was overwritten.'],
};

/** The revision that If-Match names, or null after a problem was answered. */
function revisionOf(request: Request, response: Response): number | null {
  const ifMatch = request.headers['if-match'];
  const match = ifMatch && /^"(\d+)"$/.exec(ifMatch.trim());
  if (match) return Number(match[1]);
  if (ifMatch) sendProblem(response, 412, 'If-Match must be the ETag that was last read.');
  else
    sendProblem(
      response,
      428,
      'Say which revision is meant: send If-Match with the ETag that was last read.',
    );
  return null;
}

function sendStored<Document>(response: Response, { revision, document }: Stored<Document>): void {
  response.set('ETag', `"${revision}"`).json(document);
}
