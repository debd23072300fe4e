import { TRIP_VERSION } from '@knapsack/contract';
import type { ProblemDocument, Trip, TripSummary } from '@knapsack/contract';
import { runningApp, type RunningApp } from '../testing/running-app.js';

describe('the API', () => {
  let app: RunningApp;
  let trip: Trip;
  const etagOf = async (path: string) => (await app.api.get(path)).headers['etag'];
  const put = (body: unknown, ifMatch: string, path = `/api/trips/${trip.id}`) =>
    app.api
      .put(path)
      .set('If-Match', ifMatch)
      .send(body as object);

  beforeEach(async () => {
    app = await runningApp();
    await app.api.post('/api/demo').expect(204);
    trip = (await app.api.get('/api/trips/gannet-rock-light').expect(200)).body as Trip;
  });
  afterEach(() => app.close());

  it('lists trips and gear', async () => {
    const trips = (await app.api.get('/api/trips').expect(200)).body as TripSummary[];
    // Those of the season before are put away.
    expect(trips.filter(({ archived }) => !archived).map(({ id }) => id)).toEqual([
      'gannet-rock-light',
      'headland-contest-camp',
      'winter-bothy',
    ]);
    expect(trips.length).toBe(12);
    const gear = (await app.api.get('/api/gear').expect(200)).body as { document: { id: string } }[];
    expect(gear.map(({ document }) => document.id)).toContain('shale-18');
  });

  it('creates once, at an address of its own', async () => {
    const created = await app.api
      .post('/api/trips')
      .send({ ...trip, id: 'another' })
      .expect(201);
    expect(created.headers['location']).toBe('/api/trips/another');
    expect(created.headers['etag']).toBe('"1"');
    await app.api
      .post('/api/trips')
      .send({ ...trip, id: 'another' })
      .expect(409);
  });

  it('replaces what the writer has seen and refuses what has changed since', async () => {
    const first = await put({ ...trip, name: 'Tab one' }, '"1"').expect(200);
    expect(first.headers['etag']).toBe('"2"');
    const second = await put({ ...trip, name: 'Tab two' }, '"1"').expect(412);
    expect((second.body as ProblemDocument).detail).toContain('Nothing was overwritten');
    const kept = (await app.api.get(`/api/trips/${trip.id}`)).body as Trip;
    expect(kept.name).toBe('Tab one');
  });

  it('lets one of many writers at once win', async () => {
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, tab) => put({ ...trip, name: `Tab ${tab}` }, '"1"')),
    );
    expect(answers.filter(({ status }) => status === 200).length).toBe(1);
    expect(answers.filter(({ status }) => status === 412).length).toBe(7);
    expect(await etagOf(`/api/trips/${trip.id}`)).toBe('"2"');
  });

  it('asks for If-Match', async () => {
    await app.api.put(`/api/trips/${trip.id}`).send(trip).expect(428);
    await app.api.delete(`/api/trips/${trip.id}`).expect(428);
    await put(trip, 'yesterday').expect(412);
  });

  it('deletes what the writer has seen', async () => {
    await app.api.delete(`/api/trips/${trip.id}`).set('If-Match', '"3"').expect(412);
    await app.api.delete(`/api/trips/${trip.id}`).set('If-Match', '"1"').expect(204);
    await app.api.get(`/api/trips/${trip.id}`).expect(404);
  });

  it('keeps gear that a trip still carries, and says which', async () => {
    const answer = await app.api.delete('/api/gear/shale-18').set('If-Match', '"1"').expect(409);
    expect((answer.body as ProblemDocument).detail).toContain('Gannet Rock light');
    await app.api.delete('/api/gear/lead-long').set('If-Match', '"1"').expect(204);
  });

  it('answers a problem document that names the field, and changes nothing', async () => {
    const answer = await put({ ...trip, startSoc: 3 }, '"1"').expect(422);
    expect(answer.headers['content-type']).toContain('application/problem+json');
    expect((answer.body as ProblemDocument).errors).toEqual([
      {
        pointer: '/startSoc',
        detail: 'The state of charge at the start must be above 0 and at most 100 %; 300 % is not.',
      },
    ]);
    expect(await etagOf(`/api/trips/${trip.id}`)).toBe('"1"');
  });

  it('hands a trip out as a file that stands alone, which another installation takes', async () => {
    await app.api.post('/api/demo').expect(204);
    const file = await app.api.get('/api/trips/winter-bothy/file').expect(200);
    expect(file.headers['content-disposition']).toContain('winter-bothy.json');
    const other = await runningApp();
    await other.api
      .post('/api/trips')
      .send(file.body as object)
      .expect(201);
    const taken = (await other.api.get('/api/trips/winter-bothy').expect(200)).body as Trip;
    expect(taken).toEqual(file.body as Trip);
    expect(taken.gear?.map(({ id }) => id)).toContain('dunlin-3');
    await other.close();
    await app.api.get('/api/trips/nobody/file').expect(404);
  });

  it('refuses a newer version untouched', async () => {
    const answer = await put({ ...trip, version: 99 }, '"1"').expect(422);
    expect((answer.body as ProblemDocument).detail).toContain(`version ${TRIP_VERSION}`);
    expect((await app.api.get(`/api/trips/${trip.id}`)).body).toEqual(trip);
  });

  it('refuses a body under another’s address', async () => {
    const answer = await put({ ...trip, id: 'winter-bothy' }, '"1"').expect(422);
    expect((answer.body as ProblemDocument).errors?.[0].pointer).toBe('/id');
  });

  it('tells bodies that are no JSON, too large or of another type', async () => {
    const post = () => app.api.post('/api/trips');
    await post().set('Content-Type', 'application/json').send('{"a":').expect(400);
    await post()
      .send({ note: 'x'.repeat(3_000_000) })
      .expect(413);
    await post().set('Content-Type', 'text/plain').send('hello').expect(415);
    await app.api.get('/api/nothing').expect(404);
  });

  it('lets in only pages of this machine', async () => {
    await app.api.get('/api/trips').set('Host', 'evil.example').expect(403);
    await app.api.get('/api/trips').set('Host', 'localhost:4173').expect(200);
    await app.api.post('/api/demo').set('Origin', 'http://evil.example').expect(403);
  });

  it('answers no foreign page under /api, of whatever method, navigations included; its own pages open from a link', async () => {
    for (const site of ['cross-site', 'same-site']) {
      await app.api.get('/api/trips').set('Sec-Fetch-Site', site).expect(403);
      await app.api
        .get('/api/meter?radio=x')
        .set('Sec-Fetch-Site', site)
        .set('Sec-Fetch-Mode', 'navigate')
        .expect(403);
      await app.api.head('/api/trips').set('Sec-Fetch-Site', site).expect(403);
      // No page is built into this one: what matters is that the guard lets it through.
      await app.api.get('/trips').set('Sec-Fetch-Site', site).expect(404);
      // In other letters it is no address at all.
      await app.api.get('/API/trips').set('Sec-Fetch-Site', site).expect(404);
    }
    await app.api.get('/api/trips').set('Origin', 'http://evil.example').expect(403);
    for (const site of ['same-origin', 'none']) {
      await app.api.get('/api/trips').set('Sec-Fetch-Site', site).expect(200);
    }
  });

  it('is not ended by what is nested deep or named like a part of every object', async () => {
    const deep = '['.repeat(20_000) + ']'.repeat(20_000);
    const post = (body: string) =>
      app.api.post('/api/trips').set('Content-Type', 'application/json').send(body);
    await post(`{"schema":"knapsack.trip","version":5,"note":${deep}}`).expect(422);
    await post('{"schema":"knapsack.trip","version":5,"__proto__":{"a":1}}').expect(422);
    await app.api.get('/api/weather?climate=__proto__&latitude=1&longitude=1').expect(422);
    await app.api
      .get(
        '/api/weather?climate=maritime&latitude=1&longitude=1&from=%2B275760-09-13T00:00:00Z&to=2027-01-01T00:00:00Z',
      )
      .expect(422);
  });

  it('sends a content security policy without a way in for foreign scripts', async () => {
    const { headers } = await app.api.get('/api/trips');
    expect(headers['content-security-policy']).toContain("script-src 'self';");
    expect(headers['content-security-policy']).not.toContain("'unsafe-inline'");
  });
});
