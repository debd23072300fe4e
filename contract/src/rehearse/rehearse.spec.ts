import type { Charger } from '../documents/charging-gear.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { readRehearsal, readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip, mains } from '../testing/kit.js';
import { chargeUp, NONE, OWN, SUN, withCharging } from './charge-up.js';
import { outcomeOf, outcomeOfReading, readiness } from './readiness.js';
import { noResults } from '../documents/beside.js';
import { withResult } from '../edits/beside.js';
import { rehearsalSteps } from './steps.js';

const stepsOf = (trip: Trip, shelf: readonly Gear[] = kitShelf) =>
  rehearsalSteps(trip, shelf, harnessReport(trip, shelf));
const HOUR_MS = 3_600_000;

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
  const steps = stepsOf(kitTrip());
  const all = steps.reduce(
    (done, { id }) => withResult(done, id, { outcome: 'ok', at: '2027-09-01T18:00:00Z' }),
    noResults('kit'),
  );
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

describe('charging before an outing', () => {
  const start = Date.parse(kitTrip().start);
  const now = start - 10 * 24 * HOUR_MS;
  const up = (trip: Trip, sunAhADay = 6) => chargeUp(trip, kitShelf, sunAhADay, now);
  const shaleLine = (trip: Trip, sunAhADay?: number) =>
    up(trip, sunAhADay).lines.find(({ id }) => id === 'shale')!;

  it('begins as late as the charger allows, from the level of storage', () => {
    const line = shaleLine(kitTrip());
    expect([line.soc, line.socTyped, line.source]).toEqual([0.5, false, 'mains']);
    // 5 Ah at 5 A and 99 %, the taper from 95 % on: a little over an hour.
    expect(line.hours!).toBeGreaterThan(5 / 5 / 0.99);
    expect(line.hours!).toBeLessThan(1.4);
    expect(line.endMs).toBe(start);
    expect(line.socAtStart).toBe(1);
  });

  it('counts what leaks away between the departure and the start', () => {
    const departure = new Date(start - 3 * 24 * HOUR_MS).toISOString();
    const line = shaleLine(kitTrip({ rehearsal: { departure } }));
    expect(line.socAtStart).toBeCloseTo(0.97 ** 0.1, 9);
  });

  it('takes days where the sun charges, and less with more of it', () => {
    const sunny = withCharging(kitTrip(), 'shale', { from: SUN });
    expect(readTrip(sunny).ok).toBe(true);
    // 5 Ah of 6 Ah a day.
    expect(shaleLine(sunny).hours).toBeCloseTo((24 * 5) / 0.99 / 6, 6);
    expect(shaleLine(sunny, 12).hours).toBeCloseTo((24 * 5) / 0.99 / 12, 6);
  });

  it('needs nothing where it is full, and says so where nothing charges it', () => {
    expect(shaleLine(withCharging(kitTrip(), 'shale', { soc: 1 })).startMs).toBeNull();
    const left = shaleLine(withCharging(kitTrip(), 'shale', { from: NONE, soc: 0.4 }));
    expect([left.startMs, left.socAtStart, left.note]).toEqual([
      null,
      0.4,
      'It leaves as it is: say what charges it.',
    ]);
  });

  it('names a charger once that stands on the shelf and travels with the trip', () => {
    const line = shaleLine(kitTrip({ gear: kitShelf.filter(({ id }) => id === 'mains') }));
    expect(line.sources.filter(({ id }) => id === 'mains').length).toBe(1);
  });

  it('says what is to be known of the charger: no end of its own, a trickle, a starter battery', () => {
    const lineOn = (change: Partial<Charger>, pack = 'shale') => {
      const shelf = kitShelf.map((gear) =>
        gear.id === 'mains' ? ({ ...gear, profiles: undefined, ...change } as Charger) : gear,
      );
      const loadout = kitTrip().loadout.map((item) =>
        item.gear === 'shale' ? { ...item, gear: pack } : item,
      );
      return {
        ...chargeUp(
          kitTrip({ loadout, rehearsal: { charging: [{ gear: pack, soc: 0.2 }] } }),
          shelf,
          6,
          now,
        ).lines.find(({ id }) => id === pack)!,
      };
    };
    const noteOn = (change: Partial<Charger>, pack?: string) => lineOn(change, pack).note;
    expect(noteOn({})).toContain('keep it near half');
    expect(noteOn({ law: 'cc' }, 'cobble')).toMatch(
      /no end of its own: take the battery off after \d+ h \d\d/,
    );
    expect(noteOn({ law: 'trickle' }, 'cobble')).toContain('may stay connected');
    // Neither is ever offered for lithium, which it would overcharge.
    for (const law of ['cc', 'trickle'] as const) {
      expect(lineOn({ law }).sources.map(({ id }) => id)).toEqual([SUN, NONE]);
      expect(noteOn({ law })).toMatch(/lithium is overcharged by it and may burn\. Take a charger for /);
    }
    // 5 A at 14.4 V are 72 W; through 0.88 at 12.3 V 6.65 A, of which 12 Ah are 1 h 48.
    expect(noteOn({ from: 'vehicle' })).toBe(
      'It takes 6.65 A from the vehicle: with the engine off no longer than 1 h 48, or it may not start.',
    );
    expect(noteOn({ from: 'vehicle', isolated: true })).toContain('keep it near half');
  });

  it('offers a charger that gives more than the battery takes last, and says so', () => {
    const large: Gear = { ...mains, id: 'large', name: 'Large', maxA: { value: 40, source: 'datasheet' } };
    const shelf = [large, ...kitShelf];
    const lineOf = (trip: Trip) => chargeUp(trip, shelf, 6, now).lines.find(({ id }) => id === 'shale')!;
    expect(lineOf(kitTrip()).source).toBe('mains');
    expect(lineOf(kitTrip()).sources.map(({ id }) => id)).toEqual(['mains', 'large', SUN, NONE]);
    expect(lineOf(withCharging(kitTrip(), 'shale', { from: 'large' })).note).toMatch(
      /^Large gives 40\.0 A and Shale takes [\d.]+ A at the most: set it lower, or take a smaller charger\.$/,
    );
  });

  it('offers no charger that does not know the chemistry', () => {
    const lead = kitTrip({
      loadout: [
        { gear: 'curlew', count: 1 },
        { gear: 'cobble', count: 1 },
      ],
    });
    const [line] = up(lead).lines;
    expect(line.sources.map(({ id }) => id)).toEqual([SUN, NONE]);
    expect(line.soc).toBe(1);
  });

  it('charges several on one charger in turn, and a radio on its own plug beside it', () => {
    const two = kitTrip({
      loadout: [
        { gear: 'dunlin', count: 1 },
        { gear: 'shale', count: 2 },
      ],
    });
    const { lines } = up(two);
    expect(lines.find(({ id }) => id === 'shale')!.hours).toBeCloseTo(2 * shaleLine(kitTrip()).hours!, 9);
    const radio = lines.find(({ id }) => id === 'dunlin')!;
    expect([radio.source, radio.endMs]).toEqual([OWN, start]);
    // Half of 22 Wh at 10 W and the loss of USB.
    expect(radio.hours).toBeCloseTo(11 / 10 / 0.88, 1);
  });

  it('says what should have begun, and a departure that is over or after the start', () => {
    const at = (departureMs: number, nowMs: number) =>
      chargeUp(
        kitTrip({ rehearsal: { departure: new Date(departureMs).toISOString() } }),
        kitShelf,
        6,
        nowMs,
      );
    expect(at(start, start - HOUR_MS / 2).late).toEqual(['Shale']);
    expect(at(start, now).late).toEqual([]);
    expect(at(start - HOUR_MS, start).problem).toContain('in the past');
    expect(at(start + HOUR_MS, now).problem).toContain('after the outing begins');
    expect(at(start, now).problem).toBeNull();
  });
});

describe('what is said about charging a thing', () => {
  const start = Date.parse(kitTrip().start);
  const lineOf = (trip: Trip, id: string) =>
    chargeUp(trip, kitShelf, 6, start - 10 * 24 * HOUR_MS).lines.find((line) => line.id === id);

  it('adds to what was said of it before, and leaves what was said of others', () => {
    const first = withCharging(withCharging(kitTrip(), 'dunlin', { from: OWN }), 'shale', { soc: 0.4 });
    const then = withCharging(first, 'shale', { from: NONE });
    expect(then.rehearsal?.charging).toEqual([
      { gear: 'dunlin', from: OWN },
      { gear: 'shale', soc: 0.4, from: NONE },
    ]);
    expect(withCharging(then, 'shale', { soc: 0.7 }).rehearsal?.charging).toHaveSize(2);
  });

  it('is told as typed where it was', () => {
    expect(lineOf(kitTrip(), 'shale')!.socTyped).toBeFalse();
    expect(lineOf(withCharging(kitTrip(), 'shale', { soc: 0.4 }), 'shale')).toEqual(
      jasmine.objectContaining({ soc: 0.4, socTyped: true }),
    );
  });

  it('needs no hour from 99.5 % on', () => {
    const hours = (soc: number) => lineOf(withCharging(kitTrip(), 'shale', { soc }), 'shale')!.startMs;
    expect(hours(0.995)).toBeNull();
    expect(hours(0.99)).not.toBeNull();
    const left = lineOf(withCharging(kitTrip(), 'shale', { soc: 0.995, from: NONE }), 'shale')!;
    expect(left.note).not.toContain('It leaves as it is');
  });

  it('is nothing of a thing that has no battery', () => {
    for (const id of ['relay', 'frond', 'rill', 'curlew']) expect(lineOf(kitTrip(), id)).toBeUndefined();
  });
});
