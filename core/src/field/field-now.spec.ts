import { chanceOf } from '../chance/chance.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { darkFieldPlan, FIELD_ACTS, FIELD_NOW_MS, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { whiteboardPlan } from '../testing/plans.js';
import { planAhead } from './ahead.js';
import { fieldNow } from './field-now.js';
import { follow, type FieldLog } from './follow.js';
import { isWorthAWord } from './learned.js';
import { play } from './play.js';
import type { FieldEvent, FieldReading } from './reading.js';

const NOTHING: FieldLog = { readings: [], events: [] };
const reading = (id: string, timeMs: number, change: Partial<FieldReading>): FieldReading => ({
  ...{ id, timeMs, state: 'listening', source: 'typed', values: {} },
  ...change,
});
const log = (readings: readonly FieldReading[], ...events: readonly FieldEvent[]): FieldLog => ({
  readings,
  events,
});
const few = { particles: 600 };

describe('an outing as it stands', () => {
  const board = whiteboardPlan();
  const hours = (count: number) => count * HOUR_MS;

  it('is the whiteboard’s arithmetic where nothing was read: an amp for five hours out of twenty', () => {
    const now = fieldNow(board, NOTHING, hours(5));
    expect(now.soc.p50).toBeCloseTo(0.75, 2);
    expect(now.ah.p50).toBeCloseTo(15, 0);
    expect(now.netA.p50).toBeCloseTo(-1, 2);
    expect(now.loadA).toBeCloseTo(1, 2);
    expect(now.sunA).toBe(0);
    expect(now.ahead!.chance.chance).toBe(1);
  });

  it('follows a meter: what it counted is gone, to within the meter’s gain', () => {
    const wide = { source: 'assumed', spread: 0.15 } as const;
    const unsure = whiteboardPlan({
      radio: { ...board.radio, figures: { ...board.radio.figures, receive: [{ amps: 1, ...wide }] } },
      pack: { capacityFrom: { source: 'measured', spread: 0.005 } },
    });
    const read = reading('a', hours(5), { values: { outAh: 6 } });
    const before = fieldNow(unsure, NOTHING, hours(5));
    const now = fieldNow(unsure, log([read]), hours(5));
    expect(now.soc.p50).toBeCloseTo(1 - 6 / 20, 2);
    expect(now.soc.p90 - now.soc.p10).toBeLessThan(0.35 * (before.soc.p90 - before.soc.p10));
    expect(now.learned.get('receive')!.after.mean).toBeCloseTo(1.2, 1);
    expect(isWorthAWord(now.learned.get('receive')!)).toBeTrue();
    expect(isWorthAWord(now.learned.get('capacity')!)).toBeFalse();
    // 1.2 A from here: 14 Ah less 2 of reserve last for ten hours more, of which five are asked.
    expect(now.ahead!.chance.chance).toBeGreaterThan(0.98);
  });

  it('is as planned where nothing was read, at its start and later', () => {
    const plan = fieldPlan({ pack: { label: { ...fieldPlan().packs[0].label, ratedAh: 7 } } });
    const planned = chanceOf(plan);
    const first = fieldNow(plan, NOTHING, plan.outing.startMs);
    const later = fieldNow(plan, NOTHING, fieldHour(6));
    const within = 4 * planned.standardError;
    expect(planned.chance).toBeGreaterThan(0.1);
    expect(planned.chance).toBeLessThan(0.9);
    // Two rooms tell one figure until something happens.
    expect(first.ahead!.chance).toEqual(planned);
    const look = { kind: 'sky', timeMs: plan.outing.startMs, cloud: 0.5, rain: false, fog: false } as const;
    const noted = fieldNow(plan, log([], look), plan.outing.startMs);
    expect(noted.ahead!.chance).not.toEqual(planned);
    expect(Math.abs(noted.ahead!.chance.chance - planned.chance)).toBeLessThan(0.15);
    expect(Math.abs(later.ahead!.chance.chance - planned.chance)).toBeLessThan(within);
    expect(first.soc).toEqual({ p10: 1, p50: 1, p90: 1 });
    expect(first.readings).toEqual([]);
  });

  it('says the same for the same seed, something near it for another', () => {
    const { log: played } = play(fieldPlan(), FIELD_ACTS, FIELD_NOW_MS, 3);
    const told = (seed: number) => fieldNow(fieldPlan(), played, FIELD_NOW_MS, { ...few, seed }).soc;
    expect(told(1)).toEqual(told(1));
    expect(told(1)).not.toEqual(told(2));
    expect(Math.abs(told(1).p50 - told(2).p50)).toBeLessThan(0.03);
  });

  it('does not depend on the order in which things were written down', () => {
    const { log: played } = play(fieldPlan(), FIELD_ACTS, FIELD_NOW_MS, 3);
    const turned = { readings: played.readings.toReversed(), events: played.events.toReversed() };
    expect(fieldNow(fieldPlan(), turned, FIELD_NOW_MS, few).soc).toEqual(
      fieldNow(fieldPlan(), played, FIELD_NOW_MS, few).soc,
    );
  });

  it('never has more charge for more Ah out', () => {
    const socs = [0.4, 0.8, 1.2, 1.6, 2, 2.4, 2.8].map((outAh) => {
      const read = reading('a', fieldHour(4.5), { values: { outAh }, counts: true });
      return fieldNow(darkFieldPlan(), log([read]), fieldHour(4.5), few).soc;
    });
    for (const share of ['p10', 'p50', 'p90'] as const) {
      const told = socs.map((soc) => soc[share]);
      expect(told).toEqual(told.toSorted((a, b) => b - a));
    }
  });

  it('does not believe one wild reading, and says which it is', () => {
    const { log: played } = play(fieldPlan(), FIELD_ACTS, FIELD_NOW_MS, 4);
    const wild = reading('wild', fieldHour(29), { values: { volts: 11.2 } });
    const calm = fieldNow(fieldPlan(), played, FIELD_NOW_MS, few);
    const with1 = fieldNow(
      fieldPlan(),
      { ...played, readings: [...played.readings, wild] },
      FIELD_NOW_MS,
      few,
    );
    expect(with1.readings.filter(({ fits }) => !fits).map(({ id }) => id)).toEqual(['wild']);
    expect(with1.readings.find(({ id }) => id === 'wild')!.weighed).toBeFalse();
    expect(Math.abs(with1.soc.p50 - calm.soc.p50)).toBeLessThan(0.02);
  });

  it('believes it where somebody says that it counts', () => {
    const low = (counts: boolean) =>
      fieldNow(
        darkFieldPlan(),
        log([
          reading('low', fieldHour(20), {
            source: 'monitor',
            values: { percent: 3 },
            ...(counts && { counts }),
          }),
        ]),
        fieldHour(20),
      );
    expect(low(false).readings[0].fits).toBeFalse();
    expect(low(true).readings[0].weighed).toBeTrue();
    expect(low(true).soc.p50).toBeLessThan(low(false).soc.p50 - 0.05);
  });

  it('weighs one that fits alike, whether somebody says that it counts or not', () => {
    const told = (more: Partial<FieldReading>) =>
      fieldNow(
        darkFieldPlan(),
        log([reading('near', fieldHour(20), { source: 'monitor', values: { percent: 45 }, ...more })]),
        fieldHour(20),
        few,
      );
    expect(told({}).readings[0].fits).toBeTrue();
    expect(told({ counts: true }).soc).toEqual(told({}).soc);
  });

  it('tells what the charge was taken for on the way, from the start to now', () => {
    const plan = darkFieldPlan();
    const read = reading('a', fieldHour(4.5), { values: { outAh: 3 } });
    const { followed, soc } = fieldNow(plan, log([read]), fieldHour(6), few);
    expect(followed.stood.map(({ timeMs }) => timeMs)).toEqual([0, 4.5, 6].map(fieldHour));
    const socs = followed.stood.map((stood) => stood.soc.p50);
    expect(socs).toEqual(socs.toSorted((a, b) => b - a));
    expect(followed.stood.at(-1)!.soc).toEqual(soc);
    expect(followed.stood[0].soc).toEqual({ p10: 1, p50: 1, p90: 1 });
  });

  it('takes what happens later as later: nothing after now is known', () => {
    const future = reading('future', fieldHour(9), { values: { outAh: 3 } });
    expect(fieldNow(fieldPlan(), log([future]), fieldHour(4), few).readings).toEqual([]);
  });

  it('counts Ah from the last reset', () => {
    const plan = darkFieldPlan();
    const reset = { kind: 'reset', source: 'typed', timeMs: fieldHour(7) } as const;
    const read = reading('a', fieldHour(10), { values: { outAh: 1.6 } });
    const told = fieldNow(plan, log([read], reset), fieldHour(10), few);
    expect(told.readings[0].fits).toBeTrue();
    expect(told.readings[0].planned.get('outAh')!).toBeCloseTo(3 * (0.4 + 0.2 * 0.35 * 2.6 + 0.05), 0);
    expect(fieldNow(plan, log([read]), fieldHour(10), few).readings[0].planned.get('outAh')!).toBeGreaterThan(
      3,
    );
  });

  it('learns the duty cycle from a contact log, and by it how much is left', () => {
    const plan = darkFieldPlan();
    const at = fieldHour(5);
    const told = [0.15, 0.5].map((mean) =>
      fieldNow(plan, NOTHING, at, { ...few, duties: new Map([['CW', { mean, sd: 0.03 }]]) }),
    );
    told.forEach(({ learned }, index) => {
      expect(Math.abs(learned.get('dutyCycle.CW')!.after.mean - [0.15, 0.5][index])).toBeLessThan(0.06);
    });
    expect(told[0].ah.p50).toBeGreaterThan(told[1].ah.p50 + 1);
    // A mode that was not worked teaches nothing.
    const other = fieldNow(plan, NOTHING, at, { ...few, duties: new Map([['FM', { mean: 0.9, sd: 0.01 }]]) });
    expect(other.soc).toEqual(fieldNow(plan, NOTHING, at, few).soc);
  });

  it('tells the state of charge by the hour where that is wanted, and is the same otherwise', () => {
    const plan = fieldPlan();
    const { log: played } = play(plan, FIELD_ACTS, FIELD_NOW_MS, 3);
    const hourly = follow(plan, played, FIELD_NOW_MS, { ...few, standEveryMs: HOUR_MS });
    const rare = follow(plan, played, FIELD_NOW_MS, few);
    expect(hourly.stood.at(-1)).toEqual(rare.stood.at(-1)!);
    const times = hourly.stood.map(({ timeMs }) => timeMs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    for (let place = 1; place < times.length; place++)
      expect(times[place] - times[place - 1]).toBeLessThanOrEqual(HOUR_MS + 15 * MINUTE_MS);
    expect(rare.stood.length).toBeLessThan(hourly.stood.length - 15);
  });

  it('leaves a controller’s count alone where a meter is reset', () => {
    const reset = { kind: 'reset', source: 'typed', timeMs: fieldHour(7) } as const;
    const inAhOf = (source: 'typed' | 'controller') => {
      const read = reading('a', fieldHour(10), { source, values: { inAh: 2 } });
      return fieldNow(fieldPlan(), log([read], reset), fieldHour(10), few).readings[0].planned.get('inAh')!;
    };
    expect(inAhOf('controller')).toBeGreaterThan(inAhOf('typed') + 0.3);
  });

  it('lets a reading be read and reset in one moment', () => {
    const plan = darkFieldPlan();
    const at = fieldHour(5);
    const read = reading('a', at, { values: { outAh: 2 } });
    const reset = { kind: 'reset', source: 'typed', timeMs: at } as const;
    expect(fieldNow(plan, log([read], reset), at, few).readings[0].planned.get('outAh')!).toBeGreaterThan(
      1.5,
    );
  });

  it('sees less sun ahead and behind where the sky was dull', () => {
    const sky = (cloud: number) =>
      ({ kind: 'sky', timeMs: fieldHour(4.5), cloud, rain: false, fog: false }) as const;
    const [bright, dull] = [0.1, 1].map((cloud) =>
      fieldNow(fieldPlan(), log([], sky(cloud)), fieldHour(4.5)),
    );
    expect(dull.sunA).toBeLessThan(0.7 * bright.sunA);
    expect(dull.netA.p50).toBeLessThan(bright.netA.p50);
    expect(dull.ahead!.chance.p50.at(-1)!).toBeLessThan(bright.ahead!.chance.p50.at(-1)!);
    expect(dull.learned.get('sky')!.after.mean).toBeLessThan(bright.learned.get('sky')!.after.mean);
    expect(dull.learned.get('sky')!.before).toEqual(bright.learned.get('sky')!.before);
  });

  it('takes fog and rain that somebody saw', () => {
    const seen = (change: object) =>
      fieldNow(
        fieldPlan(),
        log([], { kind: 'sky', timeMs: fieldHour(5.5), cloud: 1, rain: false, fog: false, ...change }),
        fieldHour(5.5),
      ).sunA;
    expect(seen({ fog: true })).toBeLessThan(fieldNow(fieldPlan(), NOTHING, fieldHour(5.5)).sunA);
    expect(seen({ rain: true })).toBeLessThan(seen({}));
  });

  it('knows which battery is in use and what was done to it', () => {
    const plan = darkFieldPlan();
    const [pack] = plan.packs;
    const two = { ...plan, packs: [pack, { ...pack, name: 'spare', startSoc: 0.5 }] };
    const swap = { kind: 'battery', timeMs: fieldHour(6), does: 'swapIn', pack: 1 } as const;
    const full = { kind: 'battery', timeMs: fieldHour(6.5), does: 'full', pack: 1 } as const;
    const at = fieldHour(10);
    const swapped = follow(two, log([], swap), at, few).march.particles;
    const filled = follow(two, log([], swap, full), at, few).march.particles;
    expect(swapped.inUse[0]).toBe(1);
    expect(swapped.socs[1][0]).toBeLessThan(0.5);
    expect(filled.socs[1][0]).toBeGreaterThan(0.7);
    expect(planAhead(follow(two, log([], swap), at, few)).packs[0].name).toBe('spare');
    const told = fieldNow(two, log([reading('a', at, { values: { percent: 42 } })], swap), at, few);
    expect(told.readings[0].fits).toBeTrue();
  });
});
