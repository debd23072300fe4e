import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './api/app.js';
import { DailyCopies } from './backup/daily-copies.js';
import { Database } from './database/database.js';
import type { Access } from './reach/access.js';
import { Instruments } from './instruments/instruments.js';
import { Devices } from './reach/devices.js';
import { PassphraseFile } from './reach/passphrase.js';
import { addressesOf, type Reach } from './reach/reach.js';
import { StartProblem } from './database/start-problem.js';
import { seedDemo } from './documents/seed.js';
import { storesOf } from './documents/stores.js';

export interface StartOptions {
  readonly dataFolder: string;
  /** Where the passphrase is kept, and which devices have logged in; the data folder where none is named. */
  readonly accessFolder?: string;
  /** From where it is reached besides this machine; absent or null for nowhere. */
  readonly reach?: Reach | null;
  /** 0 for any free one. */
  readonly port: number;
  readonly webFolder: string;
  readonly demoFolder: string;
  /** Fill the stores with the demo documents that are not there yet. */
  readonly withDemo: boolean;
}

export interface Running {
  /** Where it answers, for example http://127.0.0.1:4173. */
  readonly address: string;
  /** Where other devices find it, the likeliest first; empty where none does. */
  readonly elsewhere: () => readonly string[];
  close(): Promise<void>;
}

/**
 * Opens the data, serves it on the loopback interface, or further where reach says so.
 *
 * @throws StartProblem with a sentence if the folder or the port cannot be had
 */
export async function start(options: StartOptions): Promise<Running> {
  const { dataFolder, port, webFolder, demoFolder, withDemo, reach = null } = options;
  const elsewhere = () =>
    reach ? addressesOf(reach, (server.address() as AddressInfo | null)?.port ?? port) : [];
  const access = reach && accessTo(reach, options.accessFolder ?? dataFolder, elsewhere);
  const database = await Database.open(dataFolder);
  const stores = storesOf(database);
  if (withDemo) await seedDemo(stores, demoFolder);
  const copies = new DailyCopies(database, dataFolder);
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  const instruments = new Instruments(options.accessFolder ?? dataFolder);
  const app = createApp({
    database,
    stores,
    copies,
    instruments,
    webFolder,
    demoFolder,
    log,
    ...(access && { access }),
  });
  const server = reach?.tls ? createTlsServer(reach.tls, app) : createServer(app);
  try {
    await listen(server, port, reach?.listen ?? '127.0.0.1');
  } catch (error) {
    await database.close();
    throw error;
  }
  // The demo's file goes when the server stops.
  if (!withDemo) void copies.start();
  return {
    address: addressOn(reach, (server.address() as AddressInfo).port),
    elsewhere,
    close: async () => {
      copies.stop();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      await database.close();
    },
  };
}

/** @throws StartProblem where nobody has set a passphrase yet */
function accessTo(reach: Reach, folder: string, addresses: () => readonly string[]): Access {
  const passphrase = new PassphraseFile(folder);
  if (!passphrase.current()) {
    throw new StartProblem(
      'Other devices reach Knapsack with a passphrase only, and none is set. Set one: npm run knapsack -- passphrase (of a release: node knapsack.mjs passphrase).',
    );
  }
  return { reach, passphrase, devices: new Devices(folder), addresses };
}

/** Where it answers on this machine. */
function addressOn(reach: Reach | null, port: number): string {
  const host =
    !reach || reach.listen === '0.0.0.0' ? '127.0.0.1' : reach.listen === '::' ? '::1' : reach.listen;
  return `${reach?.tls ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${port}`;
}

function listen(server: Server, port: number, address: string): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      reject(
        error.code === 'EADDRINUSE'
          ? new StartProblem(
              `Port ${port} is taken, perhaps by another Knapsack. Choose another: PORT=4174 npm start.`,
            )
          : error.code === 'EACCES'
            ? new StartProblem(
                `Port ${port} is not for ordinary programs. Choose one above 1023: PORT=4174 npm start.`,
              )
            : error.code === 'EADDRNOTAVAIL'
              ? new StartProblem(
                  `${address} is no address of this machine. KNAPSACK_LISTEN=lan listens on all that it has.`,
                )
              : error,
      );
    });
    server.listen(port, address, resolve);
  });
}
