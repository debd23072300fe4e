import compression from 'compression';
import express, { type Express } from 'express';
import {
  noNotes,
  noRequirements,
  noResults,
  noTicks,
  summaryOf,
  type Gear,
  type RequirementsDocument,
  type Stored,
  type Trip,
} from '@knapsack/contract';
import { pino, type Logger } from 'pino';
import type { DailyCopies } from '../backup/daily-copies.js';
import type { Database } from '../database/database.js';
import type { Stores } from '../documents/stores.js';
import { seedDemo } from '../documents/seed.js';
import { dryRunRoutes } from '../instruments/dry-run-routes.js';
import { instrumentRoutes, lineRoutes } from '../instruments/instrument-routes.js';
import type { Instruments } from '../instruments/instruments.js';
import type { Access } from '../reach/access.js';
import { letIn, loginRoutes } from '../reach/login-routes.js';
import { hostsOf, isEncrypted } from '../reach/reach.js';
import { reachRoutes } from '../reach/reach-routes.js';
import { backupRoutes } from './backup-routes.js';
import { cardRoutes } from './card-routes.js';
import { documentRoutes } from './document-routes.js';
import { guard } from './guard.js';
import { problemHandler, sendProblem } from './problems.js';
import { logbookRoutes } from './logbook-routes.js';
import { logRoutes } from './log-routes.js';
import { meterRoutes } from './meter-routes.js';
import { searchRoutes } from './search-routes.js';
import { securityHeaders } from './security-headers.js';
import { setAsideRoutes } from './set-aside-routes.js';
import { shelfRoutes } from './shelf-routes.js';
import { siteRoutes, tripFileRoutes } from './trip-file-routes.js';
import { weatherRoutes } from './weather-routes.js';
import { webPages } from './web-pages.js';

export interface AppOptions {
  readonly database: Database;
  readonly stores: Stores;
  readonly copies: DailyCopies;
  /** Folder of the built web application; absent for the API alone. */
  readonly webFolder?: string;
  /** Folder of the demo documents; absent where there are none to offer. */
  readonly demoFolder?: string;
  /** Instruments that may send lines. */
  readonly instruments: Instruments;
  /** Who may use it from other devices; absent where it answers on this machine alone. */
  readonly access?: Access;
  readonly log?: Logger;
}

const BODY_LIMIT = '2mb';
/** A shelf goes out whole, however large, and comes in as whole: some ten thousand items. */
const SHELF_LIMIT = '64mb';

/** The whole HTTP application on given stores. */
export function createApp({
  database,
  stores,
  copies,
  instruments,
  webFolder,
  demoFolder,
  access,
  log = pino({ level: 'silent' }),
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  // What the guard knows as an address is one: /API is none.
  app.enable('case sensitive routing');
  const reach = access?.reach ?? null;
  app.use(securityHeaders(reach !== null && !isEncrypted(reach)));
  const loopback = hostsOf(null, []);
  // A machine that others reach changes networks while it runs.
  app.use(guard(reach, reach ? () => hostsOf(reach) : () => loopback));
  app.use(compression());

  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'private, no-cache');
    next();
  });
  if (access) {
    app.use('/login', loginRoutes(access));
    app.use(letIn(access));
  }
  app.use('/api/reach', reachRoutes(access ?? null));
  app.use('/api/lines', lineRoutes(stores, instruments));
  // Whether it is there, for a page that waits for it.
  app.get('/api/here', (_request, response) => void response.status(204).end());
  app.use('/api/shelf', express.json({ limit: SHELF_LIMIT }));
  app.use('/api', express.json({ limit: BODY_LIMIT }));
  app.use('/api/weather', weatherRoutes());
  app.use('/api/shelf', shelfRoutes(stores.gear));
  app.use('/api/search', searchRoutes(stores.gear));
  app.use('/api/card', cardRoutes(stores.gear));
  app.use('/api/meter', meterRoutes(stores.gear));
  app.use('/api/trips', tripFileRoutes(database, stores));
  app.use('/api/logbook', logbookRoutes(stores));
  app.use('/api/dry-runs', dryRunRoutes(stores));
  app.use('/api/instruments', instrumentRoutes(instruments));
  app.use('/api/places', siteRoutes());
  documents(app, stores);
  app.use('/api/set-aside', setAsideRoutes(stores));
  app.use('/api/backup', backupRoutes({ database, stores, copies }));
  app.post('/api/demo', async (_request, response) => {
    if (!demoFolder) return sendProblem(response, 404, 'No demo data came with this installation.');
    await seedDemo(stores, demoFolder);
    response.status(204).end();
  });
  app.use('/api', (_request, response) => sendProblem(response, 404, 'There is nothing at this address.'));

  if (webFolder) app.use(webPages(webFolder));
  app.use((_request, response) => sendProblem(response, 404, 'There is nothing at this address.'));
  app.use(problemHandler(log));
  return app;
}

/** The collections of documents, each under its own path. */
function documents(app: Express, stores: Stores): void {
  app.use(
    '/api/trips',
    documentRoutes<Trip>({
      what: 'trip',
      store: stores.trips,
      summarise: (stored) => summaryOf(stored.document, stored),
    }),
  );
  app.use(
    '/api/gear',
    documentRoutes<Gear>({
      what: 'gear item',
      store: stores.gear,
      summarise: asIs,
      mayDelete: (id) => stillCarried(stores, id),
    }),
  );
  app.use('/api/logs', logRoutes(stores.logs));
  app.use(
    '/api/packings',
    documentRoutes({ what: 'packing list', store: stores.packings, summarise: asIs, unwritten: noTicks }),
  );
  app.use(
    '/api/rehearsals',
    documentRoutes({ what: 'rehearsal', store: stores.rehearsals, summarise: asIs, unwritten: noResults }),
  );
  app.use(
    '/api/debriefs',
    documentRoutes({ what: 'debrief', store: stores.debriefs, summarise: asIs, unwritten: noNotes }),
  );
  app.use(
    '/api/requirements',
    documentRoutes({
      what: 'list of requirements',
      store: stores.requirements,
      summarise: asIs,
      // There is one list: of another name there is none.
      unwritten: (id) => ({ ...noRequirements(), id }) as RequirementsDocument,
    }),
  );
}

const asIs = <Document>({ revision, document }: Stored<Document>) => ({ revision, document });

/** A sentence naming the trips that carry a gear item, or null where none does. */
async function stillCarried({ trips }: Stores, gearId: string): Promise<string | null> {
  const carrying = (await trips.list())
    .filter(({ document: { loadout, variants = [] } }) =>
      [loadout, ...variants.map((variant) => variant.loadout)].some((bag) =>
        bag.some(({ gear }) => gear === gearId),
      ),
    )
    .map(({ document }) => document.name);
  if (carrying.length === 0) return null;
  const names =
    carrying.slice(0, 3).join(', ') + (carrying.length > 3 ? ` and ${carrying.length - 3} more` : '');
  return `It is still in the bag of ${names}. Remove it there first.`;
}
