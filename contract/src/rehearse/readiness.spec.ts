import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { readRehearsal } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { outcomeOf, outcomeOfReading, readiness } from './readiness.js';
import { noResults } from '../documents/beside.js';
import { withResult } from '../edits/beside.js';
import { rehearsalSteps } from './steps.js';

const stepsOf = (trip: Trip, shelf: readonly Gear[] = kitShelf) =>
  rehearsalSteps(trip, shelf, harnessReport(trip, shelf));

describe('the home test', () => {
  it('has the steps of the kit', () => {
    expect(stepsOf(kitTrip()).map(({ id }) => id)).toEqual([
      'join Switch everything off and take the fuses out.',
      'join Measure the polarity of every plug with a meter: red on plus, and of a barrel its centre.',
      'join rill',
      'join curlew',
      'join shale',
      'join frond',
      'light rill',
      'charges rill',
      'draws curlew',
      'volts curlew',
      'draws relay',
      'noise rill',
      'load',
      'warmth',
      'crimps',
    ]);
  });

  it('has none of the sun’s without a panel', () => {
    const loadout = ['curlew', 'shale'].map((gear) => ({ gear, count: 1 }));
    const ids = stepsOf(kitTrip({ loadout })).map(({ id }) => id);
    expect(ids.filter((id) => /rill|frond/.test(id))).toEqual([]);
    expect(stepsOf(kitTrip({ loadout: [] })).filter(({ reading }) => reading)).toEqual([]);
  });

  it('predicts the volts at the plug, key down, with a full battery', () => {
    const { reading } = stepsOf(kitTrip()).find(({ id }) => id === 'volts curlew')!;
    // 13.6 V; 1.96 A on 25 mOhm x 1.1 of cells in a room of 20 C; 1.9 A on the cable of 22 mOhm with its fuse. Not the outing's 12 C.
    expect(reading!.expected).toBeCloseTo(13.6 - 1.96 * 0.0275 - 0.2 * 0.022 - 1.9 * 0.0223, 2);
    const cold = stepsOf(kitTrip({ temperatureC: -10 })).find(({ id }) => id === 'volts curlew')!;
    expect(cold.reading!.expected).toBeCloseTo(reading!.expected, 2);
    const cellar = stepsOf(kitTrip({ rehearsal: { roomC: 0 } })).find(({ id }) => id === 'volts curlew')!;
    expect(cellar.reading!.expected).toBeLessThan(reading!.expected - 0.01);
    expect(cold.words).toContain('into a dummy load, key down for 10 s');
    expect(reading!.low).toBeCloseTo(reading!.expected - 0.3, 9);
  });

  it('expects of the load test what the plan calculates with', () => {
    const load = (minutes: number) =>
      stepsOf(kitTrip({ rehearsal: { loadMinutes: minutes } })).find(({ id }) => id === 'load')!.reading!
        .expected;
    // CW at 10 W, half on transmit: 0.5 x (0.14 + 0.44 x 1.76) + 0.5 x 0.14, and 0.06 A of the relay, 8 mA of the controller.
    expect(load(60)).toBeCloseTo(0.5 * (0.14 + 0.44 * 1.76) + 0.5 * 0.14 + 0.06, 1);
    expect(load(30)).toBeCloseTo(load(60) / 2, 9);
  });

  it('holds a reading against what was expected', () => {
    const step = stepsOf(kitTrip()).find(({ id }) => id === 'draws relay')!;
    expect(outcomeOfReading(step, 0.06)).toBe('ok');
    expect(outcomeOfReading(step, 0.09)).toBe('bad');
  });
});

describe('the verdict of the home test', () => {
  let steps: ReturnType<typeof stepsOf>;
  let all: ReturnType<typeof noResults>;
  beforeAll(() => {
    steps = stepsOf(kitTrip());
    all = steps.reduce(
      (done, { id }) => withResult(done, id, { outcome: 'ok', at: '2027-09-01T18:00:00Z' }),
      noResults('kit'),
    );
  });
  const quiet = kitShelf.map((gear) =>
    gear.id === 'rill' ? { ...gear, noise: [{ band: '20 m', unit: 'S' as const, off: 2, on: 2 }] } : gear,
  ) as Gear[];

  it('is ready once every step was good, and the controller was listened for', () => {
    expect(readRehearsal(all).ok).toBe(true);
    const { results } = all;
    expect(readiness(stepsOf(kitTrip(), quiet), results, 0, []).ready).toBe(true);
    expect(readiness(stepsOf(kitTrip()), results, 0, []).sentence).toBe('Not yet: 1 step is open.');
  });

  it('is not yet with what is open, bad or late, or a wiring that says stop', () => {
    const { results } = withResult(all, 'join rill', { outcome: 'bad', at: '2027-09-01T18:00:00Z' });
    expect(readiness(stepsOf(kitTrip(), quiet), results, 2, ['Shale']).sentence).toBe(
      'Not yet: the wiring has 2 stops, 1 step went wrong, Shale should be charging by now.',
    );
    expect(readiness([], [], 0, []).ready).toBe(false);
    const good = all.results;
    expect(readiness(stepsOf(kitTrip(), quiet), good, 1, []).ready).toBe(false);
    expect(readiness(stepsOf(kitTrip(), quiet), good, 0, [], 'There is no place.').sentence).toContain(
      'not checked in full',
    );
  });

  it('takes the noise from the controller’s own record', () => {
    const noise = (shelf: readonly Gear[]) =>
      stepsOf(kitTrip(), shelf).find(({ id }) => id === 'noise rill')!;
    expect(outcomeOf(noise(kitShelf), [])).toBeNull();
    expect(outcomeOf(noise(quiet), [])).toBe('ok');
    const loud = kitShelf.map((gear) =>
      gear.id === 'rill' ? { ...gear, noise: [{ band: '10 m', unit: 'S', off: 1, on: 4 }] } : gear,
    ) as Gear[];
    expect(outcomeOf(noise(loud), [])).toBe('bad');
  });

  it('holds a reading against the plan as it is now, not as it was when it was read', () => {
    const expected = steps.find(({ id }) => id === 'draws relay')!.reading!.expected;
    const { results } = withResult(noResults('kit'), 'draws relay', {
      outcome: 'ok',
      value: expected,
      at: '2027-09-01T18:00:00Z',
    });
    const outcome = (shelf: readonly Gear[]) =>
      outcomeOf(
        stepsOf(kitTrip(), shelf).find(({ id }) => id === 'draws relay')!,
        results,
      );
    expect(outcome(kitShelf)).toBe('ok');
    const hungry = kitShelf.map((gear) =>
      gear.id === 'relay' ? { ...gear, drawA: { value: 0.5, source: 'measured' } } : gear,
    ) as Gear[];
    expect(outcome(hungry)).toBe('bad');
  });
});
