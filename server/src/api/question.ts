import type { Request, Response } from 'express';
import type { Gear, Trip } from '@knapsack/contract';
import { readGear, readTrip } from '@knapsack/contract/schemas';
import { succeed, type Problem, type Result } from '@knapsack/core';
import type { DocumentStore } from '../documents/document-store.js';
import { sendProblem } from './problems.js';

/** A trip with its gear, and how it is asked about. */
export interface Question<Options> {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly options: Options;
}

/** The trip, the gear (the server's own shelf where none is sent) and the options of a body. */
export async function question<Options>(
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

export function refuse(response: Response, problems: readonly Problem[]): void {
  sendProblem(response, 422, problems[0].sentence, problems);
}

/** Stops the work when nobody waits for it any more; then there is no answer, null. */
export async function whileConnected<Value>(
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
