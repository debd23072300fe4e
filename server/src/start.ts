import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './api/app.js';
import { DailyCopies } from './backup/daily-copies.js';
import { Database } from './database/database.js';
import { StartProblem } from './database/start-problem.js';
import { seed } from './documents/seed.js';
import { storesOf } from './documents/stores.js';

export interface StartOptions {
  readonly dataFolder: string;
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
  close(): Promise<void>;
}

/**
 * Opens the data, serves it on the loopback interface.
 *
 * @throws StartProblem with a sentence if the folder or the port cannot be had
 */
export async function start(options: StartOptions): Promise<Running> {
  const { dataFolder, port, webFolder, demoFolder, withDemo } = options;
  const database = await Database.open(dataFolder);
  const stores = storesOf(database);
  if (withDemo) await seed(stores, demoFolder);
  const copies = new DailyCopies(database, dataFolder);
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  const server = createServer(createApp({ database, stores, copies, webFolder, demoFolder, log }));
  try {
    await listen(server, port);
  } catch (error) {
    await database.close();
    throw error;
  }
  // The demo's file goes when the server stops.
  if (!withDemo) void copies.start();
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: async () => {
      copies.stop();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      await database.close();
    },
  };
}

function listen(server: Server, port: number): Promise<void> {
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
            : error,
      );
    });
    server.listen(port, '127.0.0.1', resolve);
  });
}
