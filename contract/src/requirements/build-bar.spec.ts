import type { Requirement } from '../documents/requirements.js';
import { KitWorker, type FromKitWorker } from '../size/kit-worker.js';
import { USUAL_SIZE_OPTIONS } from '../size/size-options.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { buildBar } from './build-bar.js';

const requirement = (change: Partial<Requirement>): Requirement => ({
  ...{ id: 'q', measure: 'carriedG', target: 5000 },
  ...change,
});
const odds = { wins: 320, tried: 400 };
const shelf = [curlew, { ...shale, weightG: { value: 1200, source: 'measured' as const } }];

describe('the next build as a rule of the search', () => {
  it('lets through what meets all of it, and names the first that is not met', () => {
    const easy = requirement({});
    expect(buildBar([easy], trip(), shelf, odds)).toBeNull();
    expect(buildBar([easy, requirement({ target: 3000 })], trip(), shelf, odds)).toEqual({
      rule: 'the next build, “weighs at most: 3.00 kg”',
      sentence: 'It has 3.10 kg, missed by 0.10 kg.',
    });
  });

  it('takes the chance of the search, and bars what is not known', () => {
    const sure = requirement({ measure: 'chance', target: 0.8 });
    expect(buildBar([sure], trip(), shelf, odds)).toBeNull();
    expect(buildBar([sure], trip(), shelf, { wins: 317, tried: 400 })?.sentence).toBe(
      'It lasts in 79 of 100.',
    );
    expect(buildBar([requirement({ measure: 'disconnect', target: 1 })], trip(), shelf, odds)?.sentence).toBe(
      'Of this kit it is not known.',
    );
  });

  it('is asked for each kit of interest', () => {
    const tried = (requirements: readonly Requirement[]) => {
      const worker = new KitWorker();
      const begin = { trip: kitTrip(), shelf: kitShelf, options: { ...USUAL_SIZE_OPTIONS, requirements } };
      const told = worker.answer({ job: 1, begin, tellKits: true }) as Extract<
        FromKitWorker,
        { kits: unknown }
      >;
      const ranks = told.kits!.allowed.map((_, rank) => rank).slice(0, 12);
      const batch = { ranks, mustBeat: ranks.map(() => -1) };
      const done = worker.answer({ job: 1, batch }) as Extract<FromKitWorker, { trials: unknown }>;
      return done.trials.map(({ barred }) => barred?.rule.startsWith('the next build') ?? false);
    };
    expect(tried([])).not.toContain(true);
    expect(tried([requirement({ target: 1 })])).not.toContain(false);
  });
});
