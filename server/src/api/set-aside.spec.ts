import { TRIP_VERSION } from '@knapsack/contract';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ProblemDocument } from '@knapsack/contract';
import { seed } from '../documents/seed.js';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';

describe('a row that cannot be read', () => {
  let app: RunningApp;
  beforeEach(async () => {
    app = await runningApp();
    await seed(app.stores, DEMO_FOLDER);
  });
  afterEach(() => app.close());

  const spoil = (sql: string) => app.database.write((manager) => manager.query(sql));
  const listed = async () => (await app.api.get('/api/trips').expect(200)).body as { id: string }[];
  const aside = async () =>
    (await app.api.get('/api/set-aside').expect(200)).body as {
      kind: string;
      id: string;
      isLater: boolean;
      sentence: string;
    }[];

  it('is set aside and named, hides nothing else, can be kept and deleted', async () => {
    await spoil(`UPDATE trips SET text = substr(text, 1, 100) WHERE id = 'winter-bothy'`);
    expect((await listed()).map(({ id }) => id)).toEqual(['gannet-rock-light', 'headland-contest-camp']);
    expect(await aside()).toEqual([
      jasmine.objectContaining({ kind: 'trips', id: 'winter-bothy', name: 'Winter bothy', isLater: false }),
    ]);
    await app.api.get('/api/trips/winter-bothy').expect(404);
    // Gear that the readable trips do not carry goes, whatever stands in the other one.
    const etag = (await app.api.get('/api/gear/small-amplifier')).headers['etag'];
    await app.api.delete('/api/gear/small-amplifier').set('If-Match', etag).expect(204);
    const kept = await app.api.get('/api/set-aside/trips/winter-bothy').expect(200);
    expect(kept.text.length).toBe(100);
    await app.api.delete('/api/trips/winter-bothy').set('If-Match', '"1"').expect(204);
    expect(await aside()).toEqual([]);
    await app.api.get('/api/set-aside/constructor/x').expect(404);
  });

  it('is locked where a later release wrote it: never written over', async () => {
    const trip = JSON.parse(readFileSync(join(DEMO_FOLDER, 'trips/winter-bothy.json'), 'utf8')) as object;
    await spoil(
      `UPDATE trips SET text = replace(text, '"version":${TRIP_VERSION},"id":"winter', '"version":99,"id":"winter') WHERE id = 'winter-bothy'`,
    );
    expect(await aside()).toEqual([jasmine.objectContaining({ id: 'winter-bothy', isLater: true })]);
    const answer = await app.api.put('/api/trips/winter-bothy').set('If-Match', '"1"').send(trip).expect(409);
    expect((answer.body as ProblemDocument).detail).toContain('not written over');
    const [row] = await app.database.read((manager) =>
      manager.query<{ text: string }[]>(`SELECT text FROM trips WHERE id = 'winter-bothy'`),
    );
    expect(row.text).toContain('"version":99');
  });
});
