import type { LogDocument, LogEntry, Trip } from '@knapsack/contract';
import { readFileSync } from 'node:fs';
import { TABLES } from '../database/entities.js';
import { runningApp, type RunningApp } from '../testing/running-app.js';

const note = (id: string, change: object = {}): LogEntry => ({
  ...{ id, at: '2027-09-04T20:10:00+02:00', kind: 'note', note: id },
  ...change,
});
const log = (...entries: readonly LogEntry[]): LogDocument => ({
  ...{ schema: 'knapsack.log', version: 2, trip: 'islet' },
  entries,
});

describe('logs of outings', () => {
  let app: RunningApp;
  beforeEach(async () => (app = await runningApp()));
  afterEach(() => app.close());

  const send = (body: object, status = 200) => app.api.post('/api/logs/islet').send(body).expect(status);
  const ids = async () =>
    ((await app.api.get('/api/logs/islet').expect(200)).body as LogDocument).entries.map(({ id }) => id);

  it('are empty, of revision 0, until something is written down', async () => {
    const answer = await app.api.get('/api/logs/islet').expect(200);
    expect(answer.body).toEqual(log());
    expect(answer.headers['etag']).toBe('"0"');
    await app.api.get('/api/logs/Not an id').expect(404);
  });

  it('are joined, whoever comes first and however often', async () => {
    await send(log(note('a'), note('b')));
    await send(log(note('c', { at: '2027-09-04T18:00:00Z' })));
    const again = await send(log(note('a'), note('b')));
    expect((again.body as LogDocument).entries.map(({ id }) => id)).toEqual(['c', 'a', 'b']);
    expect(await ids()).toEqual(['c', 'a', 'b']);
  });

  it('lose nothing where two devices write at once', async () => {
    const names = Array.from({ length: 20 }, (_, index) => `n${String(index).padStart(2, '0')}`);
    await Promise.all(names.map((name) => send(log(note(name)))));
    expect(await ids()).toEqual(names);
  });

  it('take nothing that is none, or of another trip', async () => {
    await send(log({ ...note('a'), kind: 'nap' } as never), 422);
    await send({ ...log(note('a')), trip: 'other' }, 422);
    const full = Array.from({ length: 20_000 }, (_, index) => note(`e${index}`, { kind: 'end' }));
    await send(log(...full));
    const refused = await send(log(note('more')), 422);
    expect((refused.body as { detail: string }).detail).toContain('A log holds 20000 entries at the most');
    expect((await ids()).length).toBe(20_000);
  });

  it('that a later release has saved are not written over', async () => {
    await send(log(note('a')));
    await app.database.write((manager) =>
      manager.update(TABLES.logs, { id: 'islet' }, { text: '{"schema":"knapsack.log","version":9}' }),
    );
    await send(log(note('b')), 409);
    await app.api.get('/api/logs/islet').expect(409);
    await app.api.get('/api/set-aside/logs/islet').expect(200);
  });

  it('stay when their trip is deleted, for it may be put back', async () => {
    const trip = JSON.parse(
      readFileSync(new URL('../../../contract/fixtures/trip-5.json', import.meta.url), 'utf8'),
    ) as Trip;
    await app.api
      .post('/api/trips')
      .send({ ...trip, id: 'islet' })
      .expect(201);
    await send(log(note('a')));
    await app.api.delete('/api/trips/islet').set('If-Match', '"1"').expect(204);
    expect(await ids()).toEqual(['a']);
  });
});
