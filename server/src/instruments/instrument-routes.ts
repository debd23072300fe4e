import { Router, text, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import { emptyLog, type LinesTaken } from '@knapsack/contract';
import { entriesOfLines, type LinesSoFar } from '@knapsack/contract/field';
import { readLog } from '@knapsack/contract/schemas';
import type { LineSource } from '@knapsack/core';
import { sendNotJoined } from '../api/log-routes.js';
import { sendProblem } from '../api/problems.js';
import { joinLog } from '../documents/join-log.js';
import type { Stores } from '../documents/stores.js';
import { MOST_INSTRUMENTS, type Instruments } from './instruments.js';

/** Lines of one sending, and sendings of a minute. */
const MOST_LINES = 600;
const MOST_SENDINGS = 120;
const LONGEST_NAME = 60;
const MINUTE_MS = 60_000;
/** Instruments are tried before an outing, and taken down after it. */
const EITHER_SIDE_MS = 86_400_000;
const NO_TOKEN = 'Send the token of an instrument: Authorization: Bearer TOKEN. One is made in Settings.';

/** The token that a request brings; null where it brings none. */
export const bearerOf = ({ headers }: Pick<Request, 'headers'>): string | null =>
  /^Bearer ([\w-]{20,100})$/.exec(headers.authorization ?? '')?.[1] ?? null;

/** Instruments that may send lines: listed, made, taken away. */
export function instrumentRoutes(instruments: Instruments): Router {
  const router = Router();
  router.get('/', (_request, response) => void response.json(instruments.all()));
  router.post('/', (request, response) => {
    const { name: given } = (request.body ?? {}) as { readonly name?: unknown };
    const name = typeof given === 'string' ? given.trim().slice(0, LONGEST_NAME) : '';
    if (name === '') return sendProblem(response, 422, 'Give the instrument a name.');
    const made = instruments.make(name);
    if (made) return void response.status(201).json(made);
    sendProblem(response, 409, `There are ${MOST_INSTRUMENTS} instruments already: take one away first.`);
  });
  router.delete('/:id', (request, response) => {
    if (!instruments.remove(request.params.id))
      return sendProblem(response, 404, 'There is no such instrument.');
    response.status(204).end();
  });
  return router;
}

/**
 * Lines of instruments, as any program sends them: `POST /api/lines/TRIP`, the lines as text, with the token of an instrument. The last of
 * them is of now. They are thinned to what an estimate needs and join the log of the trip.
 */
export function lineRoutes(
  { logs, trips }: Pick<Stores, 'logs' | 'trips'>,
  instruments: Instruments,
  now: () => number = Date.now,
): Router {
  const router = Router();
  /** By trip and sender. */
  const soFar = new Map<string, ReadonlyMap<LineSource, LinesSoFar>>();
  const limit = rateLimit({
    windowMs: MINUTE_MS,
    limit: MOST_SENDINGS,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (request) => bearerOf(request) ?? 'nobody',
    handler: (_request, response) =>
      sendProblem(
        response,
        429,
        `An instrument sends ${MOST_SENDINGS} times a minute at the most: send several lines at once.`,
      ),
  });

  router.post<'/:trip', { trip: string }>(
    '/:trip',
    limit,
    text({ type: 'text/plain', limit: '96kb' }),
    async (request, response) => {
      const token = bearerOf(request);
      const sender = token === null ? null : instruments.sender(token);
      if (!sender) return sendProblem(response, 401, NO_TOKEN);
      if (typeof request.body !== 'string')
        return sendProblem(response, 415, 'The lines are sent as text/plain.');
      const lines = request.body.split('\n').filter((line) => line.trim() !== '');
      if (lines.length > MOST_LINES) {
        return sendProblem(
          response,
          422,
          `These are ${lines.length} lines; at most ${MOST_LINES} are taken at once.`,
        );
      }
      const { trip } = request.params;
      const nowMs = now();
      const outing = (await trips.read(trip))?.document;
      if (!outing) return sendProblem(response, 404, 'There is no such trip.');
      if (
        nowMs < Date.parse(outing.start) - EITHER_SIDE_MS ||
        nowMs > Date.parse(outing.end) + EITHER_SIDE_MS
      ) {
        return sendProblem(
          response,
          422,
          `${outing.name} is not under way: lines are taken from a day before it to a day after it. Nothing was taken.`,
        );
      }
      const place = `${trip} ${sender.id}`;
      const found = entriesOfLines(lines, nowMs, soFar.get(place));
      const read = readLog({ ...emptyLog(trip), entries: found.entries });
      if (!read.ok) return sendProblem(response, 422, read.problems[0].sentence, read.problems);
      const joined = await joinLog(logs, read.value);
      if (!joined.ok) return sendNotJoined(response, joined.refusal);
      soFar.set(place, found.soFar);
      const taken: LinesTaken = { entries: joined.more, unread: found.unread };
      response.json(taken);
    },
  );
  return router;
}
