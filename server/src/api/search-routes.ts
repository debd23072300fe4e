import { Router, type Request, type Response } from 'express';
import type { Gear, Trip } from '@knapsack/contract';
import { readGear, readRationOptions, readSizeOptions, readTrip } from '@knapsack/contract/schemas';
import { sizeAnswer } from '@knapsack/contract/size';
import { succeed, type Problem, type Result } from '@knapsack/core';
import type { DocumentStore } from '../documents/document-store.js';
import { chanceOnThread, rationOnThread, searchShelf } from '../search/search-threads.js';
import { sendProblem } from './problems.js';

/** Questions that take a while, answered on threads beside the server's own; a caller that goes away stops them. */
export function searchRoutes(store: DocumentStore<Gear>): Router {
  const router = Router();

  router.post('/size', async (request, response) => {
    const asked = await question(request, store, readSizeOptions);
    if (!asked.ok) return refuse(response, asked.problems);
    const { options } = asked.value;
    const found = await whileConnected(response, (signal) => searchShelf(asked.value, { signal }));
    if (!found) return;
    if (!found.ok) return refuse(response, found.problems);
    response.json(sizeAnswer(found.value, options));
  });

  router.post('/ration', async (request, response) => {
    const asked = await question(request, store, readRationOptions);
    if (!asked.ok) return refuse(response, asked.problems);
    const { trip, shelf, options } = asked.value;
    const found = await whileConnected(response, (signal) => rationOnThread(trip, shelf, options, signal));
    if (!found) return;
    if (!found.ok) return refuse(response, found.problems);
    response.json(found.value);
  });

  router.post('/chance', async (request, response) => {
    const asked = await question(request, store, () => succeed(null));
    if (!asked.ok) return refuse(response, asked.problems);
    const { trip, shelf } = asked.value;
    const found = await whileConnected(response, (signal) => chanceOnThread(trip, shelf, signal));
    if (!found) return;
    if (!found.ok) return refuse(response, found.problems);
    const { edgesMs, p10, p50, p90, ...odds } = found.value.chance;
    const series = { edgesMs: [...edgesMs], p10: [...p10], p50: [...p50], p90: [...p90] };
    response.json({ ...odds, ...series, tornado: found.value.tornado });
  });

  return router;
}

interface Question<Options> {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly options: Options;
}

/** The trip, the gear (the server's own shelf where none is sent) and the options of a body. */
async function question<Options>(
  { body }: Request,
  store: DocumentStore<Gear>,
  readOptions: (value: unknown) => Result<Options>,
): Promise<Result<Question<Options>>> {
  const { trip, gear, ...rest } = (body ?? {}) as { trip?: unknown; gear?: unknown };
  const readTrips = readTrip(trip);
  if (!readTrips.ok) return readTrips;
  const options = readOptions(Object.keys(rest).length > 0 ? rest : undefined);
  if (!options.ok) return options;
  const shelf: Gear[] = [];
  if (Array.isArray(gear)) {
    for (const item of gear) {
      const read = readGear(item);
      if (!read.ok) return read;
      shelf.push(read.value);
    }
  } else shelf.push(...(await store.list()).map(({ document }) => document));
  return succeed({ trip: readTrips.value, shelf, options: options.value });
}

function refuse(response: Response, problems: readonly Problem[]): void {
  sendProblem(response, 422, problems[0].sentence, problems);
}

/** Stops the work when nobody waits for it any more; then there is no answer, null. */
async function whileConnected<Value>(
  response: Response,
  work: (signal: AbortSignal) => Promise<Value>,
): Promise<Value | null> {
  const gone = new AbortController();
  const stop = () => gone.abort();
  response.once('close', stop);
  try {
    return await work(gone.signal);
  } catch (error) {
    if (gone.signal.aborted) return null;
    throw error;
  } finally {
    response.off('close', stop);
  }
}
