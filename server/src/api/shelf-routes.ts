import { Router } from 'express';
import {
  SHELF_SCHEMA,
  SHELF_VERSION,
  type Gear,
  type ShelfDocument,
  type ShelfImport,
} from '@knapsack/contract';
import { gearTable, readShelfFile } from '@knapsack/contract/schemas';
import type { DocumentStore } from '../documents/document-store.js';
import { sendProblem } from './problems.js';

/** The whole shelf out to a file and in from one. What stands on the shelf already is never overwritten. */
export function shelfRoutes(store: DocumentStore<Gear>): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const gear = (await store.list()).map(({ document }) => document);
    if (request.query['as'] === 'csv') {
      response.attachment('shelf.csv').type('text/csv').send(gearTable(gear));
      return;
    }
    const shelf: ShelfDocument = { schema: SHELF_SCHEMA, version: SHELF_VERSION, gear };
    response.attachment('shelf.json').json(shelf);
  });

  router.post('/', async (request, response) => {
    const { content } = (request.body ?? {}) as { content?: unknown };
    if (typeof content !== 'string')
      return sendProblem(response, 422, 'Send the text of the file as content.');
    const read = readShelfFile(content);
    if (!read.ok) return sendProblem(response, 422, read.problems[0].sentence, read.problems);
    const here = await store.createMissing(read.value.gear);
    const added = read.value.gear.length - here.length;
    const notes = [...read.value.notes];
    if (here.length > 0) notes.push(`On the shelf already and left as it is: ${namesOf(here)}.`);
    const answer: ShelfImport = { added, notes };
    response.json(answer);
  });

  return router;
}

const MOST_NAMES = 8;

function namesOf(gear: readonly Gear[]): string {
  const names = gear.slice(0, MOST_NAMES).map(({ name }) => name);
  const more = gear.length - names.length;
  return names.join(', ') + (more > 0 ? ` and ${more} more` : '');
}
