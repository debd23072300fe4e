import { Router, type Response } from 'express';
import { standAlone, type Gear, type Trip } from '@knapsack/contract';
import { outingCalendar, siteAsGeoJson, siteAsGpx, readSiteFile } from '@knapsack/contract/formats';
import { readTrip, readTripFileChoice } from '@knapsack/contract/schemas';
import type { Database } from '../database/database.js';
import type { Stores } from '../documents/stores.js';
import { withBeside } from '../documents/beside.js';
import { lookAtTrip, takeTrip } from '../documents/take-trip.js';
import { sendProblem } from './problems.js';

interface Found {
  readonly trip: Trip;
  readonly revision: number;
  readonly shelf: readonly Gear[];
}

/** A trip out as files that others read, and in from one. */
export function tripFileRoutes(database: Database, stores: Stores): Router {
  const router = Router();

  /** A stored trip and the shelf, or null after a problem was answered. */
  const found = async (response: Response, id: string): Promise<Found | null> => {
    const stored = await stores.trips.read(id);
    if (stored) {
      const shelf = (await stores.gear.list()).map(({ document }) => document);
      return { trip: stored.document, revision: stored.revision, shelf };
    }
    sendProblem(response, 404, 'There is no such trip.');
    return null;
  };

  router.get('/:id/file', async ({ params: { id } }, response) => {
    const one = await found(response, id);
    if (!one) return;
    const together = await database.read((manager) => withBeside(manager, stores, one.trip));
    response.attachment(`${id}.json`).json(standAlone(together, one.shelf));
  });

  router.get('/:id/calendar', async ({ params: { id } }, response) => {
    const one = await found(response, id);
    if (!one) return;
    response.attachment(`${id}.ics`).type('text/calendar');
    response.send(outingCalendar(one.trip, one.shelf, Date.now(), one.revision));
  });

  router.get('/:id/place', async ({ params: { id }, query }, response) => {
    const format = FORMATS.get(String(query['as'] ?? 'gpx'));
    if (!format) return sendProblem(response, 422, `“as” is one of ${[...FORMATS.keys()].join(', ')}.`);
    const one = await found(response, id);
    if (!one) return;
    const text = format.write(one.trip);
    if (text === null) {
      return sendProblem(response, 422, 'The place has no coordinates yet: enter them in the plan.');
    }
    response.attachment(`${id}.${format.ending}`).type(format.type).send(text);
  });

  router.post('/file/look', async (request, response) => {
    const trip = readTrip(request.body);
    if (!trip.ok) return sendProblem(response, 422, trip.problems[0].sentence, trip.problems);
    response.json(await lookAtTrip(database, stores, trip.value));
  });

  router.post('/file', async (request, response) => {
    const { trip: data, choice: chosen } = (request.body ?? {}) as { trip?: unknown; choice?: unknown };
    const trip = readTrip(data);
    if (!trip.ok) return sendProblem(response, 422, trip.problems[0].sentence, trip.problems);
    const choice = readTripFileChoice(chosen);
    if (!choice.ok) return sendProblem(response, 422, choice.problems[0].sentence, choice.problems);
    const taken = await takeTrip(database, stores, trip.value, choice.value);
    if (!taken.ok)
      return sendProblem(
        response,
        409,
        'The trip here cannot be read by this release of Knapsack, so it is not written over.',
      );
    const { ok: _ok, ...answer } = taken;
    response.status(201).json(answer);
  });

  return router;
}

/** Places out of the text of a file. */
export function siteRoutes(): Router {
  const router = Router();
  router.post('/', (request, response) => {
    const { content } = (request.body ?? {}) as { content?: unknown };
    if (typeof content !== 'string')
      return sendProblem(response, 422, 'Send the text of the file as content.');
    const read = readSiteFile(content);
    if (!read.ok) return sendProblem(response, 422, read.problems[0].sentence, read.problems);
    response.json(read.value);
  });
  return router;
}

const FORMATS: ReadonlyMap<
  string,
  { readonly ending: string; readonly type: string; readonly write: (trip: Trip) => string | null }
> = new Map([
  ['gpx', { ending: 'gpx', type: 'application/gpx+xml', write: siteAsGpx }],
  ['geojson', { ending: 'geojson', type: 'application/geo+json', write: siteAsGeoJson }],
]);
