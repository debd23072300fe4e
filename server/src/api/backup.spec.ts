import type { BackupLook, DataCopies, FileCheck, Restored } from '@knapsack/contract';
import { seed } from '../documents/seed.js';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';
import { ZIP } from './backup-routes.js';

describe('backups over the API', () => {
  let app: RunningApp;
  beforeEach(async () => {
    app = await runningApp();
    await seed(app.stores, DEMO_FOLDER);
  });
  afterEach(() => app.close());

  const backup = async (): Promise<Buffer> => {
    const answer = await app.api.get('/api/backup').responseType('blob').expect(200);
    expect(answer.headers['content-type']).toBe(ZIP);
    expect(answer.headers['content-disposition']).toMatch(/knapsack-\d{4}-\d{2}-\d{2}\.zip/);
    return answer.body as Buffer;
  };
  const send = (path: string, zip: Buffer) => app.api.post(path).set('Content-Type', ZIP).send(zip);

  it('go out and come in again, looked at first, and are asked about what is different', async () => {
    const zip = await backup();
    const { document, revision } = (await app.stores.trips.read('winter-bothy'))!;
    await app.stores.trips.replace({ ...document, name: 'Other' }, revision);
    const { documents } = (await send('/api/backup/look', zip).expect(200)).body as BackupLook;
    expect(documents.filter(({ standing }) => standing === 'different').map(({ name }) => name)).toEqual([
      'Winter bothy',
    ]);
    await send('/api/backup/restore?different=constructor', zip).expect(422);
    const kept = (await send('/api/backup/restore', zip).expect(200)).body as Restored;
    expect([kept.kept, kept.replaced, kept.copy]).toEqual([1, 0, undefined]);
    const done = (await send('/api/backup/restore?different=replace', zip).expect(200)).body as Restored;
    expect([done.kept, done.replaced]).toEqual([0, 1]);
    expect((await app.stores.trips.read('winter-bothy'))?.document.name).toBe('Winter bothy');

    // What was replaced is in the copy that was made first.
    const { copies } = (await app.api.get('/api/backup/copies').expect(200)).body as DataCopies;
    expect(copies.map(({ name }) => name)).toEqual([done.copy!]);
    const back = await app.api.post(`/api/backup/copies/${done.copy}/restore?different=replace`).expect(200);
    expect((back.body as Restored).replaced).toBe(1);
    expect((await app.stores.trips.read('winter-bothy'))?.document.name).toBe('Other');
    await app.api.post('/api/backup/copies/..%2Fknapsack.sqlite/restore').expect(404);
  });

  it('are taken as a zip from this page alone, and refused in a sentence', async () => {
    await send('/api/backup/look', Buffer.from('nonsense')).expect(422, /no zip that can be read/);
    await app.api
      .post('/api/backup/look')
      .send({})
      .expect(422, /Send the backup itself/);
    await send('/api/backup/restore', Buffer.from('x')).set('Sec-Fetch-Site', 'cross-site').expect(403);
    await app.api.post('/api/backup/look').set('Content-Type', 'text/plain').send('x').expect(415);
  });

  it('have the data file looked at', async () => {
    const { documents, faults } = (await app.api.post('/api/backup/check').expect(200)).body as FileCheck;
    expect(documents).toBeGreaterThan(10);
    expect(faults).toEqual([]);
  });
});

describe('a trip as a file over the API', () => {
  let app: RunningApp;
  beforeEach(async () => {
    app = await runningApp();
    await seed(app.stores, DEMO_FOLDER);
  });
  afterEach(() => app.close());

  it('goes to another installation with its gear, and stands beside a trip of the same id', async () => {
    const file = (await app.api.get('/api/trips/winter-bothy/file').expect(200)).body as { name: string };
    const other = await runningApp();
    try {
      const look = await other.api.post('/api/trips/file/look').send(file).expect(200);
      expect(look.body).toEqual(jasmine.objectContaining({ trip: 'new', missingGear: [] }));
      await other.api.post('/api/trips/file').send({ trip: file }).expect(201);
      expect((await other.stores.gear.list()).length).toBeGreaterThan(3);
      const again = await other.api.post('/api/trips/file').send({ trip: file }).expect(201);
      expect(again.body).toEqual(jasmine.objectContaining({ id: 'winter-bothy', revision: 1, gear: 0 }));
      const changed = { ...file, name: 'Changed' };
      expect((await other.api.post('/api/trips/file/look').send(changed).expect(200)).body).toEqual(
        jasmine.objectContaining({ trip: 'different', newGear: [], differentGear: [] }),
      );
      await other.api.post('/api/trips/file').send({ trip: changed }).expect(201);
      expect((await other.stores.trips.list()).length).toBe(2);
      const put = await other.api
        .post('/api/trips/file')
        .send({ trip: changed, choice: { trip: 'replace' } });
      expect([put.status, (put.body as { revision: number }).revision]).toEqual([201, 2]);
      await other.api
        .post('/api/trips/file')
        .send({ trip: file, choice: { trip: 'constructor' } })
        .expect(422);
      await other.api
        .post('/api/trips/file')
        .send({ trip: { ...file, extra: 1 } })
        .expect(422);
    } finally {
      await other.close();
    }
  });

  it('goes out as a calendar and as a place, and a place comes in', async () => {
    const calendar = await app.api.get('/api/trips/gannet-rock-light/calendar').expect(200);
    expect(calendar.headers['content-type']).toContain('text/calendar');
    expect(calendar.text).toMatch(/^BEGIN:VCALENDAR\r\n/);
    const gpx = await app.api.get('/api/trips/gannet-rock-light/place').responseType('blob').expect(200);
    await app.api.get('/api/trips/gannet-rock-light/place?as=constructor').expect(422);
    await app.api.get('/api/trips/nowhere/place').expect(404);
    const places = await app.api
      .post('/api/places')
      .send({ content: (gpx.body as Buffer).toString() })
      .expect(200);
    const { place } = (await app.stores.trips.read('gannet-rock-light'))!.document;
    expect(places.body).toEqual([jasmine.objectContaining({ name: place.name, latitudeDeg: 59.02 })]);
    await app.api
      .post('/api/places')
      .send({ content: 'x' })
      .expect(422, /neither GPX nor GeoJSON/);
  });
});
