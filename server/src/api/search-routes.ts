import { Router, type Response } from 'express';
import type { Gear } from '@knapsack/contract';
import { readRationOptions, readSizeOptions } from '@knapsack/contract/schemas';
import { sizeAnswer } from '@knapsack/contract/size';
import { succeed } from '@knapsack/core';
import type { DocumentStore } from '../documents/document-store.js';
import { chanceOnThread, rationOnThread, searchShelf, THREADS } from '../search/search-threads.js';
import { WaitingRoom } from '../search/waiting-room.js';
import { question, refuse, whileConnected } from './question.js';

/** Questions that take a while, answered on threads beside the server's own; a caller that goes away stops them. */
export function searchRoutes(store: DocumentStore<Gear>): Router {
  const router = Router();
  const room = new WaitingRoom(THREADS);
  /** Works for a caller when its turn comes; its place as it came stands in a header of the answer. */
  const inTurn = <Value>(response: Response, work: (signal: AbortSignal) => Promise<Value>) =>
    whileConnected(response, (signal) =>
      room.run(() => work(signal), {
        signal,
        told: (place) => response.set('Knapsack-Waited-As', String(place)),
      }),
    );

  router.get('/', (_request, response) => {
    response.json({ atOnce: room.most, running: room.running, waiting: room.waiting });
  });

  router.post('/size', async (request, response) => {
    const asked = await question(request, store, readSizeOptions);
    if (!asked.ok) return refuse(response, asked.problems);
    const found = await inTurn(response, (signal) => searchShelf(asked.value, { signal }));
    if (!found) return;
    if (!found.ok) return refuse(response, found.problems);
    response.json(sizeAnswer(found.value, asked.value));
  });

  router.post('/ration', async (request, response) => {
    const asked = await question(request, store, readRationOptions);
    if (!asked.ok) return refuse(response, asked.problems);
    const { trip, shelf, options } = asked.value;
    const found = await inTurn(response, (signal) => rationOnThread(trip, shelf, options, signal));
    if (!found) return;
    if (!found.ok) return refuse(response, found.problems);
    response.json(found.value);
  });

  router.post('/chance', async (request, response) => {
    const asked = await question(request, store, () => succeed(null));
    if (!asked.ok) return refuse(response, asked.problems);
    const { trip, shelf } = asked.value;
    const found = await inTurn(response, (signal) => chanceOnThread(trip, shelf, signal));
    if (!found) return;
    if (!found.ok) return refuse(response, found.problems);
    const { edgesMs, p10, p50, p90, ...odds } = found.value.chance;
    const series = { edgesMs: [...edgesMs], p10: [...p10], p50: [...p50], p90: [...p90] };
    response.json({ ...odds, ...series, tornado: found.value.tornado });
  });

  return router;
}
