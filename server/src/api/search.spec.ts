import { readFileSync } from 'node:fs';
import { resolve, type Gear, type ProblemDocument, type Trip } from '@knapsack/contract';
import { readShelf, readTrip } from '@knapsack/contract/schemas';
import { KitWorker, sizeAnswer, USUAL_SIZE_OPTIONS, type SizeAnswer } from '@knapsack/contract/size';
import { chanceOf, KitSearch, type Ration, type Result } from '@knapsack/core';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';
import { searchShelf } from '../search/search-threads.js';

function valid<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(result.problems[0].sentence);
  return result.value;
}
const read = (path: string): unknown => JSON.parse(readFileSync(`${DEMO_FOLDER}/${path}`, 'utf8'));
const trip: Trip = valid(readTrip(read('trips/winter-bothy.json')));
const { gear }: { gear: readonly Gear[] } = valid(readShelf(read('gear.json')));

describe('searches on threads', () => {
  let app: RunningApp;
  beforeAll(async () => {
    app = await runningApp();
    await app.api.post('/api/demo').expect(204);
  });
  afterAll(() => app.close());
  const detail = ({ body }: { body: unknown }) => (body as ProblemDocument).detail;

  it('find the kits that the same code finds alone, to the bit', async () => {
    const { body } = await app.api.post('/api/search/size').send({ trip, chance: 0.9 }).expect(200);
    const answer = body as SizeAnswer;
    const worker = new KitWorker();
    const begun = worker.answer({
      job: 1,
      begin: { trip, shelf: gear, options: USUAL_SIZE_OPTIONS },
      tellKits: true,
    });
    if (!('kits' in begun) || !begun.kits) throw new Error('no kits');
    const search = new KitSearch(begun.kits.allowed, begun.kits.samples);
    for (let batch = search.batch(8); batch; batch = search.batch(8)) {
      const tried = worker.answer({ job: 1, batch });
      if ('trials' in tried) search.take(batch, tried.trials);
    }
    const alone = sizeAnswer(
      {
        found: begun.kits,
        ruledOut: answer.ruledOut,
        fronts: search.fronts(),
        tried: [],
        nearest: null,
        done: 0,
        of: begun.kits.allowed.length,
        steps: 0,
        finished: true,
      },
      { trip, shelf: gear, options: USUAL_SIZE_OPTIONS },
    );
    expect({ ...answer, shareOfSteps: 0 }).toEqual({ ...alone, shareOfSteps: 0 });
    expect(answer.lightest).not.toBeNull();
  });

  it('give the chance that the page gives, and what matters most', async () => {
    const { body } = await app.api.post('/api/search/chance').send({ trip }).expect(200);
    const plan = resolve(trip, gear);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    const here = chanceOf(plan.value);
    const there = body as { chance: number; samples: number; p10: number[]; tornado: { swings: unknown[] } };
    expect([there.chance, there.samples]).toEqual([here.chance, here.samples]);
    expect(there.p10).toEqual([...here.p10]);
    expect(there.tornado.swings.length).toBeGreaterThan(2);
  });

  it('share out the hours', async () => {
    const { body } = await app.api
      .post('/api/search/ration')
      .send({ trip, chance: 0.8, leastShare: 0.05 })
      .expect(200);
    const { hours, odds } = body as Ration;
    expect(hours.some(({ proposed }) => proposed !== null)).toBeTrue();
    expect(odds.samples).toBeGreaterThan(100);
  });

  it('say what is wrong with a question', async () => {
    const ask = async (path: string, body: object) =>
      detail(await app.api.post(`/api/search/${path}`).send(body).expect(422));
    expect(await ask('size', { trip, chance: 1 })).toContain('Nothing is certain');
    expect(await ask('size', { trip, chance: 'often' })).toContain('must be a number');
    expect(await ask('size', { trip, limits: { grams: -1 } })).toContain('must be above 0');
    expect(await ask('size', { trip, gear: [] })).toContain('no battery on the shelf');
    expect(await ask('size', { trip: { ...trip, loadout: [] } })).toContain('Put a radio in the bag');
    expect(await ask('size', { chance: 0.9 })).toContain('A trip must be a JSON object');
    expect(await ask('ration', { trip, hours: [{ fromHour: 30, toHour: 2, worth: 1 }] })).toContain(
      'at most 24',
    );
    expect(await ask('ration', { trip: { ...trip, blocks: [] } })).toContain('no hours of work');
  });

  it('stop within a tenth of a second when told', async () => {
    const told = new AbortController();
    const running = searchShelf(
      { trip: read('trips/headland-contest-camp.json') as Trip, shelf: gear, options: USUAL_SIZE_OPTIONS },
      { signal: told.signal, progress: () => told.abort(new Error('enough')) },
    );
    await expectAsync(running).toBeRejectedWithError('enough');
  });
});
