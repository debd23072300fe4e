import { forecast, quickSum, type QuickSumInput } from '@knapsack/core';
import { readGear, readTrip } from '../schemas/read.js';
import { quickTrip } from './quick-trip.js';
import { resolve } from './resolve.js';

const input: QuickSumInput = {
  capacityAh: 12,
  usable: 0.9,
  receiveA: 0.4,
  transmitA: 3,
  share: 0.25,
  alwaysA: 0.2,
  sunA: 0,
  wantedHours: 6,
};
const context = {
  key: 'k1',
  chemistry: 'lifepo4',
  startMs: Date.UTC(2027, 8, 4, 10),
  timeZone: 'Europe/Oslo',
} as const;

describe('a trip from a quick sum', () => {
  const { trip, gear } = quickTrip(input, context);

  it('is made of valid documents', () => {
    expect(readTrip(trip).ok).toBeTrue();
    for (const item of gear) expect(readGear(item).ok).withContext(item.id).toBeTrue();
  });

  it('draws what the quick sum draws', () => {
    const plan = resolve(trip, gear);
    expect(plan.ok).toBeTrue();
    if (!plan.ok) return;
    const { verdict } = forecast(plan.value);
    expect(verdict.meanA).toBeCloseTo(quickSum(input).meanA, 9);
    expect(verdict.plannedAh).toBeCloseTo(7.5, 9);
    expect(plan.value.packs[0].reserveSoc).toBeCloseTo(0.1, 9);
  });

  it('writes the class of radio that takes such a current, and takes the typed one', () => {
    for (const [transmitA, powerW] of [
      [1.4, 5],
      [3, 10],
      [21, 100],
      [0.3, 5],
    ]) {
      const quick = quickTrip({ ...input, transmitA }, context);
      const [radio] = quick.gear;
      expect(quick.trip.blocks[0].powerW).withContext(`${transmitA} A`).toBe(powerW);
      expect(radio.kind === 'radio' && radio.transmit).toEqual([
        { rfW: powerW, amps: transmitA, source: 'datasheet' },
      ]);
      const plan = resolve(quick.trip, quick.gear);
      expect(plan.ok && forecast(plan.value).verdict.meanA).toBeCloseTo(
        quickSum({ ...input, transmitA }).meanA,
        9,
      );
    }
  });

  it('stays within the longest outing, and without a load that is none', () => {
    const long = quickTrip({ ...input, wantedHours: 8760, alwaysA: 0, usable: 0.01 }, context);
    expect(readTrip(long.trip).ok).toBeTrue();
    expect(long.gear.map(({ kind }) => kind)).toEqual(['radio', 'battery']);
  });
});
