import { forecast } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import { resolve } from '../resolve/resolve.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { amplifier, battery, fedBy, RADIOS, run, station } from '../testing/sample-gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from './harness-report.js';

const carrying = (gear: readonly Gear[], change: Partial<Trip> = {}) =>
  kitTrip({ loadout: gear.map(({ id }) => ({ gear: id, count: 1 })), ...change });
const planOf = (trip: Trip, gear: readonly Gear[]) => {
  const plan = resolve(trip, gear);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};

describe('a radio behind a regulator', () => {
  const four = battery('liion', 'liion', 4, 10, { protects: true });
  const gear = [RADIOS.twenty, four];
  const regulated = carrying(gear, {
    harness: {
      parts: [{ id: 'reg', kind: 'converter', from: 'liion', outV: 13.8, maxA: 10 }],
      runs: [run('reg', 2.5, 0.3, 7.5), { ...run('twenty', 2.5, 0.6), from: 'reg' }],
    },
  });

  it('takes power in the forecast: amps at the volts of the middle, and is not shut off by the battery’s', () => {
    const straight = planOf(carrying(gear), gear);
    const behind = planOf(regulated, gear);
    // 13.8 V / (0.9 x 14.8 V): four cells half full.
    const times = 13.8 / (0.9 * 14.8);
    expect(behind.radio.figures.transmit[0].amps).toBeCloseTo(4.2 * times, 6);
    expect(behind.radio.figures.receive[0].amps).toBeCloseTo(
      straight.radio.figures.receive[0].amps * times,
      6,
    );
    expect([behind.radio.dropoutV, behind.radio.maxV]).toEqual([0, undefined]);
    const used = (plan: typeof behind) => forecast(plan).verdict.plannedAh;
    expect(used(behind)).toBeCloseTo(used(straight) * times, 6);
  });

  it('takes its own amps in Wire, the battery more of them as it empties, and is not told of its volts', () => {
    const { runs, checks } = harnessReport(regulated, gear);
    const radio = runs.find(({ part }) => part === 'twenty')!;
    const reg = runs.find(({ part }) => part === 'reg')!;
    expect(radio.safeForA).toBeCloseTo(4.2, 9);
    expect(radio.keyDownV).toBeCloseTo(13.8 - radio.keyDownA * radio.ohm!, 6);
    expect(reg.keyDownA / radio.keyDownA).toBeGreaterThan(13.8 / (0.9 * 16.8));
    expect(checks.map(({ rule }) => rule)).not.toContain('full');
    expect(harnessReport(carrying(gear), gear).checks.map(({ rule }) => rule)).toContain('full');
  });
});

describe('an amplifier on 28 V', () => {
  it('takes watts of the battery in the forecast, and its own amps in Wire', () => {
    const iron = battery('iron', 'lifepo4', 4, 100, { protects: true });
    const gear = [RADIOS.hundred, iron, amplifier(15)];
    const trip = carrying(gear, {
      harness: {
        parts: [{ id: 'up', kind: 'converter', from: 'iron', outV: 28 }],
        runs: [{ to: 'amplifier', from: 'up' }],
      },
    });
    const load = planOf(trip, gear).accessories.find(({ name }) => name === 'amplifier')!;
    // 15 A x 28 V / 0.9 = 467 W.
    const most = Math.max(...load.pieces.map(({ keyDown }) => keyDown.watts));
    expect(most).toBeCloseTo(466.7, 1);
    const { runs } = harnessReport(trip, gear);
    expect(runs.find(({ part }) => part === 'amplifier')!.keyDownA).toBeCloseTo(15, 6);
    // Switched on it takes 40 A of a converter of 25.
    const starting = { ...amplifier(15), startA: { value: 40, source: 'datasheet' as const } };
    const converter = { id: 'up', kind: 'converter' as const, from: 'iron', outV: 28, maxA: 25 };
    const weak = { ...trip, harness: { ...trip.harness, parts: [converter] } };
    const rules = (of: readonly Gear[]) => harnessReport(weak, of).checks.map(({ rule }) => rule);
    expect(rules([RADIOS.hundred, iron, starting])).toContain('startUp');
    expect(rules(gear)).not.toContain('startUp');
    expect(runs.find(({ part }) => part === 'up')!.keyDownA).toBeGreaterThan(35);
  });
});

describe('a power station', () => {
  const laptop = fedBy('laptop', 90, 'mains');
  const box = station(500, { socketA: { value: 3, source: 'datasheet' } });
  const gear = [RADIOS.ten, box, laptop];

  it('has its mains outlet in another place than its socket, which does not carry it', () => {
    const { parts, checks, runs } = harnessReport(carrying(gear), gear);
    expect(parts.find(({ id }) => id === 'laptop')!.from).toBe('station.mains');
    expect(parts.find(({ id }) => id === 'station.mains')).toEqual(
      jasmine.objectContaining({ kind: 'outlet', from: 'station', run: null }),
    );
    // Its own mains cable is nothing to wire; the socket of 3 A carries the radio alone.
    expect(runs.map(({ part }) => part)).toEqual(['ten']);
    expect(checks.map(({ rule }) => rule)).not.toContain('supply');
    const weak = { ...box, socketA: { value: 2, source: 'datasheet' as const } };
    const weaker = harnessReport(carrying(gear), [RADIOS.ten, weak, laptop]).checks;
    expect(weaker.map(({ rule, severity }) => `${severity} ${rule}`)).toContain('stop supply');
  });

  it('feeds its outlet straight from the cells', () => {
    const draws = planOf(carrying(gear), gear).accessories.find(({ name }) => name === 'laptop')!;
    // (90 / 0.85 + 6) W out of the cells; the march divides by the socket's 0.9.
    expect(draws.pieces[0].mean.watts).toBeCloseTo((90 / 0.85 + 6) * 0.9, 6);
  });
});

describe('a plan that cannot be calculated', () => {
  const full = (change: Partial<Trip>) => harnessReport(kitTrip(change), kitShelf);
  const radioA = ({ runs }: ReturnType<typeof full>) => runs.find(({ part }) => part === 'curlew')!;

  it('keeps its currents from the blocks, whatever else is wrong', () => {
    const { place: _place, ...rest } = kitTrip();
    const nowhere = harnessReport({ ...rest, place: { name: 'x', timeZone: 'UTC' } }, kitShelf);
    expect(nowhere.uncalculated).toContain('where the outing is');
    expect(radioA(nowhere).keyDownA).toBeCloseTo(1.9, 9);
    expect(radioA(nowhere).wantsA).toBe(3);
    const mixed = full({ loadout: [...kitTrip().loadout, { gear: 'cobble', count: 1 }] });
    expect(mixed.uncalculated).not.toBeNull();
    expect(radioA(mixed).keyDownA).toBeCloseTo(1.9, 9);
    expect(mixed.checks.map(({ rule }) => rule)).toContain('parallel');
  });

  it('counts what waits for a dark that nobody knows as on', () => {
    const lamp: Gear = { ...fedBy('lamp', 12, 'usb'), rule: { when: 'dark' } };
    const loadout = [...kitTrip().loadout, { gear: 'lamp', count: 1 }];
    const nowhere = kitTrip({ place: { name: 'x', timeZone: 'UTC' }, loadout });
    const { runs, uncalculated } = harnessReport(nowhere, [...kitShelf, lamp]);
    expect(uncalculated).not.toBeNull();
    // 12 W / 0.88 at 12.75 V, the reserve.
    expect(runs.find(({ part }) => part === 'lamp.via')!.keyDownA).toBeCloseTo(12 / 0.88 / 12.75, 2);
  });

  it('takes the radio at full power where there are no blocks, or wrong ones', () => {
    expect(radioA(full({ blocks: [] })).keyDownA).toBeCloseTo(2.3, 9);
    const [block] = kitTrip().blocks;
    const backward = full({ blocks: [{ ...block, start: block.end, end: block.start }] });
    expect(radioA(backward).keyDownA).toBeCloseTo(2.3, 9);
  });

  it('says that a wiring which feeds itself is not checked', () => {
    const ring = full({
      harness: {
        parts: [
          { id: 'a', kind: 'splitter', from: 'b' },
          { id: 'b', kind: 'splitter', from: 'a' },
        ],
        runs: [{ to: 'curlew', from: 'a' }],
      },
    });
    expect(ring.checks.map(({ rule }) => rule)).toContain('suspended');
  });
});
