import { forecast } from '@knapsack/core';
import type { AccessoryRule } from '../documents/accessory-rule.js';
import type { Accessory, Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { readGear, readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { resolve } from './resolve.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
const common = { schema: 'knapsack.gear', version: 8, kind: 'accessory' } as const;
const fan: Accessory = { ...common, id: 'fan', name: 'fan', drawA: sheet(0.5), rule: { when: 'always' } };
const lamp: Accessory = {
  ...{ ...common, id: 'lamp', name: 'lamp', drawA: sheet(1), rule: { when: 'dark' } },
  colourDraw: sheet(0.1),
};
const shelf: readonly Gear[] = [...kitShelf, fan, lamp];
const withOne = (id: string, rule: AccessoryRule, change: Partial<Trip> = {}): Trip => {
  const trip = kitTrip(change);
  return { ...trip, loadout: [...trip.loadout, { gear: id, count: 1, rule }] };
};
const drawnAh = (trip: Trip, gear = shelf): number => {
  const plan = resolve(trip, gear);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  const name = trip.loadout.at(-1)!.gear;
  return forecast(plan.value).verdict.consumers.find((one) => one.name === name)!.ampereHours;
};

describe('a fan that goes by the temperature', () => {
  const { start } = kitTrip();
  const hours = [18, 24, 26, 21].map((temperatureC, index) => ({
    start: new Date(Date.parse(start) + index * 3_600_000).toISOString(),
    ...{ cloud: 0, temperatureC },
  }));
  const warm: Partial<Trip> = { temperatureC: 15, weather: { air: 'clean', windMS: 2, hours } };

  it('is on in the hours that are as warm, and for the rest by the air of the outing', () => {
    // Two hours of 24 and 26 degrees.
    expect(drawnAh(withOne('fan', { when: 'warm', aboveC: 22 }, warm))).toBeCloseTo(1, 6);
    expect(drawnAh(withOne('fan', { when: 'warm', aboveC: 20 }, warm))).toBeCloseTo(1.5, 6);
    expect(drawnAh(withOne('fan', { when: 'warm', aboveC: 40 }, warm))).toBe(0);
    const always = drawnAh(withOne('fan', { when: 'always' }, warm));
    expect(drawnAh(withOne('fan', { when: 'warm', aboveC: 0 }, warm))).toBeCloseTo(always, 6);
  });
});

describe('a lamp with one colour besides white', () => {
  const night: Partial<Trip> = { start: '2027-11-04T18:00:00Z', end: '2027-11-05T02:00:00Z', blocks: [] };

  it('takes less of the dark in its colour, and the same where nothing is said or it has none', () => {
    const white = drawnAh(withOne('lamp', { when: 'dark' }, night));
    expect(white).toBeCloseTo(8, 1);
    // A quarter of every hour in white: 0.25 + 0.75 × 0.1.
    expect(drawnAh(withOne('lamp', { when: 'dark', white: 15 }, night)) / white).toBeCloseTo(0.325, 6);
    expect(drawnAh(withOne('lamp', { when: 'dark', white: 0 }, night)) / white).toBeCloseTo(0.1, 6);
    const { colourDraw: _colour, ...plain } = lamp;
    const bare = [...kitShelf, fan, plain];
    expect(drawnAh(withOne('lamp', { when: 'dark', white: 15 }, night), bare)).toBeCloseTo(white, 9);
  });

  it('is read with its rule, and refused with minutes that no hour has', () => {
    expect(readGear(lamp).ok && readGear(fan).ok).toBeTrue();
    expect(readTrip(withOne('lamp', { when: 'dark', white: 15 })).ok).toBeTrue();
    expect(readTrip(withOne('lamp', { when: 'dark', white: 61 })).ok).toBeFalse();
    expect(readTrip(withOne('fan', { when: 'warm', aboveC: 22 })).ok).toBeTrue();
    expect(readTrip(withOne('fan', { when: 'warm' } as AccessoryRule)).ok).toBeFalse();
  });
});

describe('two operators of whom one speaks at a time', () => {
  const two = (oneSpeaks: boolean, share = 0.4): Trip => {
    const trip = kitTrip();
    const [block] = trip.blocks;
    return {
      ...trip,
      loadout: trip.loadout.map((item) => (item.gear === 'curlew' ? { ...item, count: 2 } : item)),
      blocks: [
        { ...block, share },
        { ...block, id: 'second', station: 2, share },
      ],
      ...(oneSpeaks && { oneSpeaks }),
    };
  };
  const runOf = (trip: Trip) => {
    const plan = resolve(trip, kitShelf);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    return forecast(plan.value);
  };

  it('draw less with the key down, and as much on average', () => {
    const [one, all] = [runOf(two(true)), runOf(two(false))];
    expect(Math.max(...one.march.keyDownA)).toBeLessThan(Math.max(...all.march.keyDownA) - 1);
    expect(one.verdict.plannedAh).toBeCloseTo(all.verdict.plannedAh, 6);
  });

  it('count every pair of positions, not the first alone', () => {
    const trip = two(true, 0.1);
    const [first, second] = trip.blocks;
    const three = {
      ...trip,
      loadout: trip.loadout.map((item) => (item.gear === 'curlew' ? { ...item, count: 3 } : item)),
      blocks: [first, { ...second, share: 0.6 }, { ...second, id: 'third', station: 3, share: 0.7 }],
    };
    // 0.1, 0.6 and 0.7 at once; and without the first still more than all of the time.
    const codes = (of: Trip) => runOf(of).verdict.findings.map(({ code }) => code);
    expect(codes(three)).toContain('one-speaks');
    expect(codes({ ...three, blocks: three.blocks.slice(1) })).toContain('one-speaks');
  });

  it('cannot send for more than all of the time between them', () => {
    const codes = (trip: Trip) => runOf(trip).verdict.findings.map(({ code }) => code);
    expect(codes(two(true, 0.4))).not.toContain('one-speaks');
    expect(codes(two(true, 0.6))).toContain('one-speaks');
    expect(codes(two(false, 0.6))).not.toContain('one-speaks');
  });
});

describe('a lamp in an outing without a night', () => {
  const noon = { start: '2027-06-21T10:00:00Z', end: '2027-06-21T14:00:00Z', blocks: [] };
  const place = { ...kitTrip().place, latitudeDeg: 59, longitudeDeg: 5 };
  const said = (trip: Trip) => {
    const plan = resolve(trip, shelf);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    return plan.value.remarks!.filter((sentence) => sentence.startsWith('It does not get dark'));
  };

  it('stays off, which is said, and of nothing else', () => {
    expect(said(withOne('lamp', { when: 'dark' }, { ...noon, place }))).toEqual([
      'It does not get dark in this outing: lamp stays off.',
    ]);
    expect(said(withOne('lamp', { when: 'always' }, { ...noon, place }))).toEqual([]);
    expect(said(withOne('fan', { when: 'always' }, { ...noon, place }))).toEqual([]);
    const dusk = { start: '2027-09-04T16:00:00Z', end: '2027-09-04T22:00:00Z', blocks: [] };
    expect(said(withOne('lamp', { when: 'dark' }, { ...dusk, place }))).toEqual([]);
  });
});
