import { readFileSync } from 'node:fs';
import type { ProblemDocument, Trip } from '@knapsack/contract';
import { pagesOf } from '../card/card-pdf.js';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';

const trip = JSON.parse(readFileSync(`${DEMO_FOLDER}/trips/winter-bothy.json`, 'utf8')) as Trip;

describe('the field card as a PDF', () => {
  let app: RunningApp;
  beforeAll(async () => {
    app = await runningApp();
    await app.api.post('/api/demo').expect(204);
  });
  afterAll(() => app.close());
  const card = (body: object) => app.api.post('/api/card').send(body).responseType('blob');

  it('is one page, A5 unless asked otherwise, in the fonts that it brings', async () => {
    const { body, headers } = await card({ trip }).expect(200);
    const pdf = body as Buffer;
    expect(headers['content-type']).toBe('application/pdf');
    expect(headers['content-disposition']).toContain('winter-bothy-field-card.pdf');
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pagesOf(pdf)).toBe(1);
    expect(pdf.toString('latin1')).toContain('AtkinsonHyperlegible');
    expect(pdf.toString('latin1')).toMatch(/MediaBox \[0 0 419\.53 595\.28\]/);
  });

  it('stays on one page with more in it than most outings have', async () => {
    const [block] = trip.blocks;
    const start = Date.parse(trip.start);
    const blocks = Array.from({ length: 24 }, (_, index) => ({
      ...block,
      id: `b${index}`,
      start: new Date(start + index * 1_200_000).toISOString(),
      end: new Date(start + (index + 1) * 1_200_000).toISOString(),
    }));
    const { body } = await card({ trip: { ...trip, blocks }, paper: 'A4' }).expect(200);
    expect(pagesOf(body as Buffer)).toBe(1);
    expect((body as Buffer).toString('latin1')).toMatch(/MediaBox \[0 0 595\.28 841\.89\]/);
  });

  it('is tagged: its language, its title, headings, tables with their heads, and the wiring in words', async () => {
    const { body } = await card({ trip }).expect(200);
    const text = (body as Buffer).toString('latin1');
    expect(text).toContain('/Lang (en)');
    expect(text).toContain('/DisplayDocTitle true');
    expect(text).toContain('/Marked true');
    const count = (name: string) => text.match(new RegExp(`/S /${name}\\b`, 'g'))?.length ?? 0;
    // Hours, frequencies, volts, fuses, ration, wiring and care.
    const sections = ['H1', 'H2', 'Table', 'Figure'].map(count);
    expect(sections).toEqual([1, 7, 5, 1]);
    expect(count('TH')).toBe(8);
    expect(count('TR')).toBeGreaterThan(8);
    expect(text).toMatch(/\/S \/Figure[^>]*\/Alt \(Wiring of /);
    // Each element holds something that is drawn.
    const elements = [...text.matchAll(/\/S \/(\w+)\b([^>]*)>>/g)].map(([, name, rest]) => ({ name, rest }));
    expect(elements.length).toBeGreaterThan(40);
    expect(elements.filter(({ rest }) => !rest.includes('/K'))).toEqual([]);
  });

  it('refuses another paper and a trip that is none with a sentence', async () => {
    const paper = await app.api.post('/api/card').send({ trip, paper: 'A3' }).expect(422);
    expect((paper.body as ProblemDocument).detail).toBe('The paper must be A5 or A4.');
    await app.api
      .post('/api/card')
      .send({ trip: { id: 'x' } })
      .expect(422);
  });

  it('is made of a bag with parts missing too', async () => {
    const { body } = await card({ trip: { ...trip, loadout: [] } }).expect(200);
    expect(pagesOf(body as Buffer)).toBe(1);
  });
});
