import { Router } from 'express';
import { noNotes, summaryOf, type LogbookLine } from '@knapsack/contract';
import type { Stores } from '../documents/stores.js';
import { sendProblem } from './problems.js';

/** The outings that something is known of, and all that is stored of one. What they come to is calculated where it is read. */
export function logbookRoutes(stores: Stores): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const [trips, logs, debriefs] = await Promise.all([
      stores.trips.list(),
      stores.logs.list(),
      stores.debriefs.list(),
    ]);
    const logOf = new Map(logs.map((log) => [log.document.trip, log]));
    const debriefOf = new Map(debriefs.map((debrief) => [debrief.document.id, debrief]));
    const lines = trips.flatMap((stored): readonly LogbookLine[] => {
      const { document: trip } = stored;
      const log = logOf.get(trip.id);
      if (!log || log.document.entries.length === 0) return [];
      const debrief = debriefOf.get(trip.id);
      return [
        {
          trip: summaryOf(trip, stored),
          gear: [...new Set(trip.loadout.map(({ gear }) => gear))],
          logRevision: log.revision,
          debriefRevision: debrief?.revision ?? 0,
          lessons: debrief?.document.lessons ?? [],
        },
      ];
    });
    response.json(lines);
  });

  router.get('/:trip', async ({ params: { trip: id } }, response) => {
    const [trip, log, debrief] = await Promise.all([
      stores.trips.read(id),
      stores.logs.read(id),
      stores.debriefs.read(id),
    ]);
    if (!trip || !log) return sendProblem(response, 404, 'Nothing is known of such an outing.');
    response.json({
      trip: trip.document,
      log: log.document,
      notes: debrief?.document ?? noNotes(id),
    });
  });

  return router;
}
