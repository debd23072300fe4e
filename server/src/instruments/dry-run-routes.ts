import { randomUUID } from 'node:crypto';
import { Router, type Response } from 'express';
import { emptyLog, type DryRunMade } from '@knapsack/contract';
import { dryRun, type DryRunSetup } from '@knapsack/contract/field';
import { readLog } from '@knapsack/contract/schemas';
import { OTHER_SKIES, type OtherSky, type PlayedInstruments } from '@knapsack/core';
import type { Stores } from '../documents/stores.js';
import { sendProblem } from '../api/problems.js';

/** Dry runs that are held; the oldest makes room. */
const MOST_RUNS = 8;
const MOST_TIMES_FASTER = 3600;
const TICK_MS = 200;
const MOST_SEED = 1e9;

/**
 * Dry runs of an outing: `POST /api/dry-runs/TRIP` plays it by simulated instruments, `GET /api/dry-runs/RUN?from=MS&after=MS&faster=N`
 * streams their lines as server-sent events, as a real instrument's come, each `truth` beside them. Lines up to `from` that came after
 * `after` come at once, the others as a clock that runs so much faster tells. Nothing of it is stored.
 */
export function dryRunRoutes({ gear, trips }: Pick<Stores, 'gear' | 'trips'>): Router {
  const router = Router();
  const runs = new Map<string, PlayedInstruments>();

  router.post<'/:trip', { trip: string }>('/:trip', async (request, response) => {
    const trip = (await trips.read(request.params.trip))?.document;
    if (!trip) return sendProblem(response, 404, 'There is no such trip.');
    const body = (request.body ?? {}) as { readonly entries?: unknown };
    const setup = readSetup(body);
    if (typeof setup === 'string') return sendProblem(response, 422, setup);
    const log = readLog({ ...emptyLog(trip.id), entries: body.entries ?? [] });
    if (!log.ok) return sendProblem(response, 422, log.problems[0].sentence, log.problems);
    const shelf = (await gear.list()).map(({ document }) => document);
    const played = dryRun(trip, shelf, log.value.entries, setup);
    if (!played.ok) return sendProblem(response, 422, played.problems[0].sentence, played.problems);
    const id = randomUUID();
    runs.set(id, played.value);
    for (const oldest of runs.keys()) {
      if (runs.size <= MOST_RUNS) break;
      runs.delete(oldest);
    }
    const made: DryRunMade = { id };
    response.status(201).json(made);
  });

  router.get<'/:run', { run: string }>('/:run', (request, response) => {
    const run = runs.get(request.params.run);
    if (!run) return sendProblem(response, 404, 'This dry run is over: begin it again.');
    const { from, after = '-1', faster = '60' } = request.query;
    const [fromMs, afterMs, times] = [from, after, faster].map(Number);
    if (
      !Number.isFinite(fromMs) ||
      !Number.isFinite(afterMs) ||
      !(times >= 1 && times <= MOST_TIMES_FASTER)
    ) {
      return sendProblem(
        response,
        422,
        `A dry run goes on from a time in ms, 1 to ${MOST_TIMES_FASTER} times as fast as a clock.`,
      );
    }
    streamRun(response, run, { fromMs, afterMs, times });
  });
  return router;
}

/** Streams what a run's instruments say: from a time on as a clock that runs so much faster tells, what came before it at once. */
function streamRun(
  response: Response,
  run: PlayedInstruments,
  { fromMs, afterMs, times }: { readonly fromMs: number; readonly afterMs: number; readonly times: number },
): void {
  response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' });
  response.flushHeaders();
  const begun = performance.now();
  const lines = run.lines.filter(({ timeMs }) => timeMs > afterMs);
  const truth = run.truth.filter(({ timeMs }) => timeMs > afterMs);
  let [line, moment] = [0, 0];
  const send = () => {
    const untilMs = fromMs + (performance.now() - begun) * times;
    const sent: string[] = [];
    for (; moment < truth.length && truth[moment].timeMs <= untilMs; moment++) {
      const { timeMs } = truth[moment];
      for (; line < lines.length && lines[line].timeMs <= timeMs; line++) {
        sent.push(`data: ${lines[line].line}\n\n`);
      }
      sent.push(`event: truth\ndata: ${JSON.stringify(truth[moment])}\n\n`);
    }
    if (sent.length > 0) response.write(sent.join(''));
    if (moment < truth.length) return;
    clearInterval(timer);
    response.end('event: end\ndata: end\n\n');
  };
  const timer = setInterval(() => {
    try {
      send();
    } catch {
      // What throws in a timer would end the server: here it ends the stream.
      response.destroy();
    }
  }, TICK_MS);
  response.once('close', () => clearInterval(timer));
  send();
}

/** How it is played; a sentence where it cannot be. */
function readSetup(body: object): DryRunSetup | string {
  const { seed, sky } = body as { readonly seed?: unknown; readonly sky?: unknown };
  if (typeof seed !== 'number' || !Number.isInteger(seed) || seed < 0 || seed > MOST_SEED) {
    return `The seed of a dry run is a whole number from 0 to ${MOST_SEED}.`;
  }
  if (!OTHER_SKIES.includes(sky as OtherSky)) {
    return `The sky of a dry run is one of ${OTHER_SKIES.join(', ')}.`;
  }
  return { seed, sky: sky as OtherSky };
}
