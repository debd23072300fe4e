import { once } from 'node:events';
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { DryRunMade, ProblemDocument } from '@knapsack/contract';
import { dryRunStepMs } from '@knapsack/contract/field';
import { HOUR_MS, readInstrumentLine, type PlayedTruth } from '@knapsack/core';
import { createApp } from '../api/app.js';
import { seed } from '../documents/seed.js';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';

const TRIP = 'gannet-rock-light';
const START_MS = Date.parse('2027-09-04T08:00:00Z');
const iso = (timeMs: number) => new Date(timeMs).toISOString();
const SETUP = { seed: 3, sky: 'asForecast', entries: [] };

describe('a dry run on the server', () => {
  let app: RunningApp;
  beforeAll(async () => {
    app = await runningApp();
    await seed(app.stores, DEMO_FOLDER);
  });
  afterAll(() => app.close());

  const begin = async (change: object = {}) =>
    (
      await app.api
        .post(`/api/dry-runs/${TRIP}`)
        .send({ ...SETUP, ...change })
        .expect(201)
    ).body as DryRunMade;

  /** What a stream sends until it ends, or until something has come. */
  async function streamed(query: string, isEnough: (text: string) => boolean = () => false): Promise<string> {
    const server = createApp(app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port } = server.address() as AddressInfo;
    // A run is held by the application that made it.
    const made = await fetch(`http://127.0.0.1:${port}/api/dry-runs/${TRIP}`, {
      ...{ method: 'POST', body: JSON.stringify(SETUP) },
      headers: { 'Content-Type': 'application/json' },
    });
    const { id } = (await made.json()) as DryRunMade;
    const text = await new Promise<string>((done, failed) => {
      const path = `/api/dry-runs/${id}?${query}`;
      const asked = httpRequest({ port, host: '127.0.0.1', path }, (response) => {
        expect(response.headers['content-type']).toContain('text/event-stream');
        let all = '';
        response.on('data', (chunk: Buffer) => {
          all += chunk.toString();
          if (!isEnough(all)) return;
          asked.destroy();
          done(all);
        });
        response.on('end', () => done(all));
      });
      asked.on('error', failed);
      asked.end();
    });
    server.close();
    return text;
  }

  const events = (text: string) => text.split('\n\n').filter(Boolean);
  const truths = (text: string) =>
    events(text)
      .filter((event) => event.startsWith('event: truth'))
      .map((event) => JSON.parse(event.split('data: ')[1]) as PlayedTruth);

  it('streams all that came up to a time at once, each line before its truth', async () => {
    const until = START_MS + 3 * HOUR_MS;
    const text = await streamed(`from=${until}&faster=1`, (all) =>
      truths(all).some(({ timeMs }) => timeMs > until - 3 * 60_000),
    );
    const everyMs = dryRunStepMs({ start: iso(START_MS), end: iso(START_MS + 30 * HOUR_MS) });
    expect(truths(text).map(({ timeMs }) => timeMs)).toEqual(
      Array.from(
        { length: Math.floor((3 * HOUR_MS) / everyMs) },
        (_, place) => START_MS + (place + 1) * everyMs,
      ),
    );
    const lines = events(text).map((event) => readInstrumentLine(event.replace(/^data: /, '')));
    expect(lines.slice(0, 4).map((line) => line?.source ?? 'truth')).toEqual([
      'meter',
      'monitor',
      'controller',
      'truth',
    ]);
  });

  it('goes on as fast as is asked, leaves out what was sent, and ends with the outing', async () => {
    const end = START_MS + 30 * HOUR_MS;
    const text = await streamed(`from=${end - 12 * 60_000}&after=${end - 12 * 60_000}&faster=3600`);
    expect(truths(text).every(({ timeMs }) => timeMs > end - 12 * 60_000)).toBeTrue();
    expect(truths(text).length).toBeGreaterThan(2);
    expect(events(text).at(-1)).toBe('event: end\ndata: end');
  });

  it('says what it cannot do', async () => {
    const post = async (body: object, status: number, trip = TRIP) =>
      ((await app.api.post(`/api/dry-runs/${trip}`).send(body).expect(status)).body as ProblemDocument)
        .detail;
    expect(await post(SETUP, 404, 'nowhere')).toContain('no such trip');
    expect(await post({ ...SETUP, seed: 1.5 }, 422)).toContain('whole number');
    expect(await post({ ...SETUP, sky: 'constructor' }, 422)).toContain('asForecast, duller, brighter');
    expect(await post({ ...SETUP, entries: [{ kind: 'reading' }] }, 422)).not.toBe('');
    const { id } = await begin();
    const get = async (path: string, status: number) =>
      ((await app.api.get(`/api/dry-runs/${path}`).expect(status)).body as ProblemDocument).detail;
    expect(await get('nobody?from=0', 404)).toContain('begin it again');
    expect(await get(`${id}?from=soon`, 422)).toContain('a time in ms');
    expect(await get(`${id}?from=0&faster=0`, 422)).toContain('1 to 3600 times');
  });

  it('is held while it is among the eight newest', async () => {
    const { id } = await begin();
    for (let more = 0; more < 8; more++) await begin({ seed: more });
    await app.api.get(`/api/dry-runs/${id}?from=0`).expect(404);
  });
});
