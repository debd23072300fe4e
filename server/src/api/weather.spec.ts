import type { ProblemDocument, WeatherDocument, WeatherReading } from '@knapsack/contract';
import { runningApp, type RunningApp } from '../testing/running-app.js';

const PLACE = 'latitude=59.02&longitude=5.31&height=6';
const HOURS = 'from=2027-09-04T08:00:00Z&to=2027-09-05T14:00:00Z';

describe('the weather service', () => {
  let app: RunningApp;
  beforeAll(async () => (app = await runningApp()));
  afterAll(() => app.close());

  const post = (content: string, zone = 'UTC') => app.api.post('/api/weather').send({ content, zone });
  const detail = ({ body }: { body: unknown }) => (body as ProblemDocument).detail;

  it('makes weather up for a place and its hours, the same each time', async () => {
    const ask = () => app.api.get(`/api/weather?${PLACE}&${HOURS}&climate=maritime`).expect(200);
    const document = (await ask()).body as WeatherDocument;
    expect(document.hours.length).toBe(30);
    expect(document.source).toBe('simulated');
    expect((await ask()).body).toEqual(document);
    // What it gives can be read back as a file.
    const read = await post(JSON.stringify(document)).expect(200);
    expect((read.body as WeatherReading).document).toEqual(document);
  });

  it('says what is wrong with a question', async () => {
    const ask = async (query: string) => detail(await app.api.get(`/api/weather?${query}`).expect(422));
    expect(await ask(`latitude=95&longitude=5&${HOURS}&climate=maritime`)).toContain('The latitude must be');
    expect(await ask(`${PLACE}&${HOURS}&climate=lunar`)).toContain('maritime, temperate');
    // A word that every plain object has.
    expect(await ask(`${PLACE}&${HOURS}&climate=constructor`)).toContain('maritime, temperate');
    expect(await ask(`${PLACE}&from=now&to=then&climate=polar`)).toContain('“from” must be a time');
    expect(await ask(`${PLACE}&from=2027-01-01T00:00Z&to=2028-01-01T00:00Z&climate=polar`)).toContain(
      '30 days',
    );
  });

  it('reads a forecast file and refuses what is none', async () => {
    const { body } = await post('time,cloud\n2027-09-04 12:00,0.5\nlater,1\n', 'Europe/Oslo').expect(200);
    expect((body as WeatherReading).document.hours).toEqual([
      { start: '2027-09-04T10:00:00.000Z', cloud: 0.5 },
    ]);
    expect((body as WeatherReading).notes[0]).toContain('row 3');
    expect(detail(await post('no table').expect(422))).toContain('needs headings');
    expect(detail(await post('x', 'Gannet/Rock').expect(422))).toContain('time zone');
    expect(detail(await app.api.post('/api/weather').send({ zone: 'UTC' }).expect(422))).toContain('content');
    expect(detail(await post('x'.repeat(3_000_000)).expect(413))).toContain('2 MB');
  });
});
