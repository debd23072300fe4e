import { readFileSync } from 'node:fs';
import type { PackingDocument, RehearsalDocument, Trip } from '@knapsack/contract';
import { TABLES } from '../database/entities.js';
import { runningApp, type RunningApp } from '../testing/running-app.js';

/** A trip as a release wrote it that kept ticks and results in it: three pieces ticked, one of them in a variant. */
const EARLIER = JSON.parse(
  readFileSync(new URL('../../../contract/fixtures/trip-5.json', import.meta.url), 'utf8'),
) as Trip;

describe('what is ticked and read of a trip', () => {
  let app: RunningApp;
  beforeEach(async () => (app = await runningApp()));
  afterEach(() => app.close());

  const { id } = EARLIER;
  const get = async <Body>(path: string, status = 200) =>
    (await app.api.get(`/api/${path}`).expect(status)).body as Body;
  const ticks = async () =>
    (await get<PackingDocument>(`packings/${id}`)).packed.map(({ gear }) => gear).sort();
  const create = () => app.api.post('/api/trips').send(EARLIER).expect(201);

  it('stands beside it, whatever release wrote the two in one', async () => {
    const answer = await create();
    expect((answer.body as Trip).packed).toBeUndefined();
    expect((await ticks()).length).toBeGreaterThan(2);
    expect((await get<RehearsalDocument>(`rehearsals/${id}`)).results[0].step).toBe('load');
    const kept = await get<Trip>(`trips/${id}`);
    expect([kept.packed, kept.results, kept.rehearsal]).toEqual([undefined, undefined, { roomC: 12 }]);
  });

  it('changes with a revision of its own, and the trip keeps the one that it had', async () => {
    await create();
    const packing = await get<PackingDocument>(`packings/${id}`);
    const put = (body: object, revision: number) =>
      app.api.put(`/api/packings/${id}`).set('If-Match', `"${revision}"`).send(body);
    const none = { ...packing, packed: [] };
    expect((await put(none, 1).expect(200)).headers['etag']).toBe('"2"');
    await put(packing, 1).expect(412);
    expect(await ticks()).toEqual([]);
    expect((await app.api.get(`/api/trips/${id}`)).headers['etag']).toBe('"1"');
    await put({ ...packing, packed: [{ gear: 'a' }, { gear: 'a' }] }, 2).expect(422);
  });

  it('is none, of revision 0, until something is ticked, and is made by whoever writes over that first', async () => {
    const answer = await app.api.get('/api/packings/new').expect(200);
    expect(answer.headers['etag']).toBe('"0"');
    const put = (gear: string) =>
      app.api
        .put('/api/packings/new')
        .set('If-Match', '"0"')
        .send({ ...(answer.body as object), packed: [{ gear }] });
    expect((await put('a').expect(200)).headers['etag']).toBe('"1"');
    await put('b').expect(412);
    await get('packings/Not an id', 404);
    await app.database.write((manager) =>
      manager.update(TABLES.packings, { id: 'new' }, { text: '{"schema":"knapsack.packing","version":99}' }),
    );
    // What a later release has saved is neither taken for none nor written over, not by a trip that brings its own either.
    await get('packings/new', 409);
    await put('c').expect(412);
    await app.api
      .post('/api/trips')
      .send({ ...EARLIER, id: 'new' })
      .expect(201);
    await get('packings/new', 409);
    await app.api.get('/api/set-aside/packings/new').expect(200);
  });

  it('is left as it is by a trip that says nothing of it', async () => {
    await create();
    const before = await ticks();
    const trip = await get<Trip>(`trips/${id}`);
    const put = (change: object, revision: number) =>
      app.api
        .put(`/api/trips/${id}`)
        .set('If-Match', `"${revision}"`)
        .send({ ...trip, ...change })
        .expect(200);
    await put({ name: 'Another' }, 1);
    expect(await ticks()).toEqual(before);
    // One that says that nothing is ticked, as one does that is put back, takes them off.
    await put({ packed: [] }, 2);
    expect(await ticks()).toEqual([]);
  });

  it('goes out in the file of the trip, and comes in from it', async () => {
    await create();
    const before = await ticks();
    const file = await get<Trip>(`trips/${id}/file`);
    const ticked = await get<PackingDocument>(`packings/${id}`);
    const none = { ...ticked, packed: [] };
    expect(file.packed?.length).toBe(before.length);
    expect(await look(file)).toBe('same');
    // A file without a word of it differs in nothing.
    expect(await look({ ...file, packed: undefined, results: undefined })).toBe('same');
    expect(await look({ ...file, packed: [] })).toBe('different');
    await app.api.put(`/api/packings/${id}`).set('If-Match', '"1"').send(none).expect(200);
    expect(await look({ ...file, packed: [] })).toBe('same');
    await app.api.put(`/api/packings/${id}`).set('If-Match', '"2"').send(ticked).expect(200);
    const choice = { trip: 'both' };
    const beside = (
      await app.api
        .post('/api/trips/file')
        .send({ trip: { ...file, name: 'Another' }, choice })
        .expect(201)
    ).body as { id: string };
    expect(beside.id).not.toBe(id);
    const theirs = await get<PackingDocument>(`packings/${beside.id}`);
    expect(theirs.packed.map(({ gear }) => gear).sort()).toEqual(before);
    await app.api
      .post('/api/trips/file')
      .send({ trip: { ...file, packed: [] }, choice: { trip: 'replace' } })
      .expect(201);
    expect(await ticks()).toEqual([]);
  });

  it('goes with the trip that is deleted', async () => {
    await create();
    await app.api.delete(`/api/trips/${id}`).set('If-Match', '"1"').expect(204);
    expect(await ticks()).toEqual([]);
    expect((await get<RehearsalDocument>(`rehearsals/${id}`)).results).toEqual([]);
  });

  async function look(file: object): Promise<string> {
    const answer = await app.api.post('/api/trips/file/look').send(file).expect(200);
    return (answer.body as { trip: string }).trip;
  }
});
