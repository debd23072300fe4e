import type { ProblemDocument, ShelfDocument } from '@knapsack/contract';
import { seed } from '../documents/seed.js';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';

describe('the shelf as a file', () => {
  let app: RunningApp;
  beforeAll(async () => {
    app = await runningApp();
    await seed(app.stores, DEMO_FOLDER);
  });
  afterAll(() => app.close());

  it('goes out as JSON and CSV, and comes in again where it is missing', async () => {
    const shelf = (await app.api.get('/api/shelf?as=json').expect(200)).body as ShelfDocument;
    const csv = await app.api.get('/api/shelf?as=csv').expect(200);
    expect(csv.headers['content-disposition']).toContain('shelf.csv');
    const before = await app.api.get('/api/gear/lead-long');
    await app.api.delete('/api/gear/lead-long').set('If-Match', '"1"').expect(204);
    const { body } = await app.api.post('/api/shelf').send({ content: csv.text }).expect(200);
    expect((body as { added: number }).added).toBe(1);
    expect((body as { notes: string[] }).notes[0]).toContain('left as it is: ');
    expect((await app.api.get('/api/gear/lead-long')).body).toEqual(before.body);
    const again = (await app.api.get('/api/shelf?as=json').expect(200)).body as ShelfDocument;
    expect(again).toEqual(shelf);
  });

  it('comes in again however large it went out', async () => {
    const other = await runningApp();
    try {
      const { gear } = (await app.api.get('/api/shelf?as=json').expect(200)).body as ShelfDocument;
      const many = Array.from({ length: 60 }, (_, n) =>
        gear.map((item) => ({ ...item, id: `${item.id}-${n}`, note: 'x'.repeat(900) })),
      );
      const shelf = { schema: 'knapsack.shelf', version: 1, gear: many.flat() };
      const content = JSON.stringify(shelf);
      expect(content.length).toBeGreaterThan(2 * 1024 * 1024);
      const { body } = await other.api.post('/api/shelf').send({ content }).expect(200);
      expect((body as { added: number }).added).toBe(shelf.gear.length);
      const out = await other.api.get('/api/shelf?as=json').expect(200);
      expect((out.body as ShelfDocument).gear.length).toBe(shelf.gear.length);
    } finally {
      await other.close();
    }
  });

  it('says what is wrong with a file', async () => {
    const answer = await app.api.post('/api/shelf').send({ content: 'a,b\n1,2' }).expect(422);
    expect((answer.body as ProblemDocument).detail).toContain('kind and name');
    await app.api.post('/api/shelf').send({}).expect(422);
  });
});
