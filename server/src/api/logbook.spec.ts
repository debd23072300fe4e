import type { LogbookLine } from '@knapsack/contract';
import { seedDemo } from '../documents/seed.js';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';

describe('the logbook over HTTP', () => {
  let app: RunningApp;
  beforeEach(async () => {
    app = await runningApp();
    await seedDemo(app.stores, DEMO_FOLDER);
  });
  afterEach(() => app.close());

  it('lists the outings that something is known of, with their lessons and what they stand on', async () => {
    const lines = (await app.api.get('/api/logbook').expect(200)).body as LogbookLine[];
    expect(lines.length).toBe(10);
    const spit = lines.find(({ trip }) => trip.id === 'tern-spit')!;
    expect([spit.trip.name, spit.logRevision, spit.debriefRevision]).toEqual(['Tern Spit', 1, 1]);
    expect(spit.gear).toContain('frond-42');
    expect(spit.lessons.map(({ kind }) => kind)).toEqual(['repair', 'buy']);
    // Nothing is known of what was never entered.
    expect(lines.some(({ trip }) => trip.id === 'winter-bothy')).toBeFalse();
    const gannet = lines.find(({ trip }) => trip.id === 'gannet-rock-light')!;
    expect([gannet.debriefRevision, gannet.lessons]).toEqual([0, []]);
  });

  it('gives all that is stored of one, and says where there is nothing', async () => {
    const { body } = await app.api.get('/api/logbook/gannet-rock-light').expect(200);
    const found = body as {
      trip: { id: string };
      log: { entries: unknown[] };
      notes: { lessons: unknown[] };
    };
    expect(found.trip.id).toBe('gannet-rock-light');
    expect(found.log.entries.length).toBeGreaterThan(10);
    expect(found.notes.lessons).toEqual([]);
    for (const id of ['winter-bothy', 'constructor', 'nothing'])
      await app.api.get(`/api/logbook/${id}`).expect(404);
  });

  it('keeps a debrief and the requirements as documents with revisions', async () => {
    const put = (body: object, revision: number) =>
      app.api.put('/api/debriefs/winter-bothy').set('If-Match', `"${revision}"`).send(body);
    const none = await app.api.get('/api/debriefs/winter-bothy').expect('ETag', '"0"');
    const notes = none.body as object;
    const lessons = [{ id: 'l1', kind: 'buy', text: 'Warmer gloves.' }];
    await put({ ...notes, lessons }, 0)
      .expect(200)
      .expect('ETag', '"1"');
    await put({ ...notes, lessons }, 0).expect(412);
    await put({ ...notes, lessons: [{ id: 'l1', kind: 'eat', text: 'x' }] }, 1).expect(422);
    const { body } = await app.api.get('/api/requirements/next-build').expect(200);
    expect((body as { requirements: unknown[] }).requirements.length).toBe(6);
    await app.api.get('/api/requirements/another').expect(404);
  });
});
