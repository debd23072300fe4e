import type { Gear } from '../documents/gear.js';
import { curlew, shale, trip } from '../testing/outing.js';
import {
  bagCost,
  bagWeight,
  beginCharging,
  putIn,
  setCabling,
  setCharging,
  setCount,
  setMeant,
  swapItem,
  takeOut,
} from './loadout.js';
import { powerSteps, stepPower, stepShare } from './new-work.js';

describe('editing the bag', () => {
  it('swaps in place and keeps the count', () => {
    expect(swapItem(trip(), 1, 'cobble').loadout[1]).toEqual({ gear: 'cobble', count: 2 });
    const before = trip();
    expect(swapItem(before, 1, 'shale')).toBe(before);
  });

  it('puts in what is not there yet, takes out what is', () => {
    expect(putIn(trip(), 'lamp').loadout.map(({ gear }) => gear)).toEqual(['curlew', 'shale', 'lamp']);
    const before = trip();
    expect(putIn(before, 'shale')).toBe(before);
    expect(takeOut(trip(), 0).loadout.map(({ gear }) => gear)).toEqual(['shale']);
    expect(setCount(trip(), 1, 3).loadout[1].count).toBe(3);
  });

  it('weighs what is known and counts what is not', () => {
    const heavy = { ...shale, weightG: { value: 1000, source: 'datasheet' } } as const;
    expect(
      bagWeight(
        trip(),
        new Map<string, Gear>([
          ['curlew', curlew],
          ['shale', heavy],
        ]),
      ),
    ).toEqual({ grams: 2700, unweighed: 0 });
    expect(
      bagWeight(
        trip(),
        new Map<string, Gear>([
          ['curlew', curlew],
          ['shale', shale],
        ]),
      ),
    ).toEqual({ grams: 700, unweighed: 1 });
  });
});

describe('a charger on the way', () => {
  it('begins with the first two hours, is set and taken back', () => {
    const before = trip({ loadout: [{ gear: 'mains', count: 1, meant: true }] });
    const begun = beginCharging(before, 0);
    const [hours] = begun.loadout[0].charging!.hours;
    expect(hours.start).toBe(new Date(trip().start).toISOString());
    expect(Date.parse(hours.end) - Date.parse(hours.start)).toBe(7_200_000);
    expect(setCharging(begun, 0, { hours: [hours], generator: 'drone' }).loadout[0].charging!.generator).toBe(
      'drone',
    );
    expect(setCharging(begun, 0, null)).toEqual(before);
  });
});

describe('steps of power and share', () => {
  it('go through the radio’s own powers and stay at the ends', () => {
    expect(powerSteps(curlew)).toEqual([2, 5, 10]);
    expect(stepPower(curlew, 5, true)).toBe(10);
    expect(stepPower(curlew, 10, true)).toBe(10);
    expect(stepPower(curlew, 7, false)).toBe(5);
  });

  it('go through the common powers where the radio has one figure', () => {
    const one = { ...curlew, transmit: [{ rfW: 8, amps: 2, source: 'assumed' }] } as const;
    expect(powerSteps(one)).toEqual([0.5, 1, 2, 5, 8]);
    expect(powerSteps(null).at(-1)).toBe(100);
  });

  it('change the share by five percent within nothing and all', () => {
    expect(stepShare(0.5, true)).toBe(0.55);
    expect(stepShare(0.02, false)).toBe(0);
    expect(stepShare(0.98, true)).toBe(1);
  });

  it('asks of a charger once whether it comes along', () => {
    const asked = trip({ loadout: [{ gear: 'mains', count: 1 }] });
    expect(setMeant(asked, 0).loadout).toEqual([{ gear: 'mains', count: 1, meant: true }]);
    expect(setCount(setMeant(asked, 0), 0, 2).loadout[0].meant).toBeTrue();
  });
});

describe('what is said of a piece in the bag', () => {
  const panels = { how: 'chained' } as unknown as NonNullable<Parameters<typeof setCabling>[2]>;

  it('is how panels are led to their controller, until it is taken back', () => {
    const led = setCabling(trip(), 1, panels);
    expect(led.loadout[1]).toEqual({ ...trip().loadout[1], cabling: panels });
    expect(setCabling(led, 1, null)).toEqual(trip());
    const before = trip();
    expect(setCabling(before, 9, panels)).toBe(before);
  });

  it('is what it cost, times as many as there are; what has no price counts nothing', () => {
    const priced = { ...shale, price: { value: 90, source: 'datasheet' } } as const;
    const byId = new Map<string, Gear>([
      ['curlew', curlew],
      ['shale', priced],
    ]);
    expect(bagCost(setCount(trip(), 1, 3), byId)).toBe(270);
    expect(bagCost(trip(), new Map())).toBe(0);
  });
});
