import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { LinesTaken, LogDocument, NewInstrument, ProblemDocument, Trip } from '@knapsack/contract';
import { runningApp, type RunningApp } from '../testing/running-app.js';
import { Instruments, INSTRUMENTS_FILE, MOST_INSTRUMENTS } from './instruments.js';

describe('instruments that send lines', () => {
  let app: RunningApp;
  let token: string;
  let id: string;
  beforeEach(async () => {
    app = await runningApp();
    await app.api.post('/api/demo').expect(204);
    const trip = (await app.api.get('/api/trips/gannet-rock-light')).body as Trip;
    const at = (hours: number) => new Date(Date.now() + hours * 3_600_000).toISOString();
    const under = { id: 'under-way', start: at(-5), end: at(5), blocks: [] };
    const { weather: _weather, variants: _variants, ...rest } = trip;
    await app.api
      .post('/api/trips')
      .send({ ...rest, ...under })
      .expect(201);
    ({ token, id } = (await app.api.post('/api/instruments').send({ name: ' monitor ' }).expect(201))
      .body as NewInstrument);
  });
  afterEach(() => app.close());

  const send = (lines: string, as = token, trip = 'under-way') =>
    app.api.post(`/api/lines/${trip}`).set('Authorization', `Bearer ${as}`).type('text/plain').send(lines);
  const log = async () => (await app.api.get('/api/logs/under-way').expect(200)).body as LogDocument;

  it('write into the log of a trip, with nothing but their token', async () => {
    const taken = (
      await send('B 0 13.12 -0.84 87 -2.31 640\nB 59000 13.11 -0.84 87 -2.32 640\nhello\n').expect(200)
    ).body as LinesTaken;
    expect(taken.unread).toBe(1);
    const { entries } = await log();
    expect(entries.length).toBe(taken.entries);
    expect(entries[0]).toEqual(
      jasmine.objectContaining({ kind: 'reading', source: 'monitor', amps: 0.84, percent: 87 }),
    );
    expect(Math.abs(Date.parse(entries.at(-1)!.at) - Date.now())).toBeLessThan(120_000);
    // What comes within the same minute says nothing new.
    const more = (await send('B 60000 13.11 -0.84 87 -2.32 640').expect(200)).body as LinesTaken;
    expect((await log()).entries.length).toBe(taken.entries + more.entries);
    expect(more.entries).toBeLessThanOrEqual(1);
  });

  it('are told what is wrong, and nothing is taken', async () => {
    for (const [response, status, words] of [
      [await send('B 0 13 0 80 0 -', 'x'.repeat(43)), 401, 'Send the token of an instrument'],
      [
        await app.api.post('/api/lines/a').type('text/plain').send('B 0 13 0 80 0 -'),
        415,
        'application/json',
      ],
      [await app.api.post('/api/lines/a').send({}), 401, 'Send the token of an instrument'],
      [
        await app.api.post('/api/lines/a').set('Authorization', `Bearer ${token}`).send({}),
        415,
        'text/plain',
      ],
      [await send(Array.from({ length: 601 }, () => 'M 1 12.0 0.1').join('\n')), 422, 'at most 600'],
      [await send('B 0 9999 0 80 0 -'), 422, 'The volts'],
      [await send('M 1 12.0 0.1', token, 'constructor'), 404, 'no such trip'],
      [await send('M 1 12.0 0.1', token, 'gannet-rock-light'), 422, 'Gannet Rock light is not under way'],
    ] as const) {
      expect(response.status).toBe(status);
      expect((response.body as ProblemDocument).detail).toContain(words);
    }
    expect((await send('x'.repeat(100_000))).status).toBe(413);
    expect((await log()).entries).toEqual([]);
  });

  it('are known by a hash, told once, and gone when they are taken away', async () => {
    const file = join(app.folder, INSTRUMENTS_FILE);
    expect(readFileSync(file, 'utf8')).not.toContain(token);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    await send('M 0 13.1 0.8').expect(200);
    const [listed] = (await app.api.get('/api/instruments').expect(200)).body as NewInstrument[];
    expect(listed).toEqual({
      id,
      name: 'monitor',
      sinceMs: jasmine.any(Number),
      lastMs: jasmine.any(Number),
    } as never);
    expect(new Instruments(app.folder).sender(token)?.id).toBe(id);
    await app.api.delete(`/api/instruments/${id}`).expect(204);
    await app.api.delete(`/api/instruments/${id}`).expect(404);
    await send('M 0 13.1 0.8').expect(401);
  });

  it('are few, and have names', async () => {
    await app.api.post('/api/instruments').send({ name: ' ' }).expect(422);
    await app.api.post('/api/instruments').send([]).expect(422);
    for (let index = 1; index < MOST_INSTRUMENTS; index++)
      await app.api
        .post('/api/instruments')
        .send({ name: `n${index}` })
        .expect(201);
    await app.api.post('/api/instruments').send({ name: 'one more' }).expect(409);
  });

  it('send at most so often', async () => {
    const answers = [];
    for (let sending = 0; sending < 121; sending++) answers.push((await send('M 0 13.1 0.8')).status);
    expect(answers.slice(0, 120).every((status) => status === 200)).toBeTrue();
    expect(answers[120]).toBe(429);
  });
});
