import type { PowerStation } from '../documents/gear.js';
import { curlew, trip } from '../testing/outing.js';
import { resolve } from './resolve.js';
import { givenWh } from './station-losses.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
const tarn = (change: Partial<PowerStation> = {}): PowerStation => ({
  ...{ schema: 'knapsack.gear', version: 8, id: 'tarn', kind: 'station', name: 'Tarn' },
  ...{ chemistry: 'lifepo4', cellsInSeries: 8, wattHours: sheet(256), idleW: sheet(4) },
  ...change,
});
const said = (gear: PowerStation) => {
  const loadout = [trip().loadout[0], { gear: 'tarn', count: 1 }];
  const plan = resolve(trip({ loadout }), [curlew, gear]);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value.remarks!.filter((sentence) => sentence.includes('for itself'));
};

describe('what a power station takes for itself', () => {
  it('is held against a bare battery that gives as much', () => {
    // Twelve hours of 4 W are 48 Wh; 208 Wh through 0.9 at 12.8 V are 14.6 Ah.
    expect(givenWh(256, 4, 0.9, 12)).toBeCloseTo(187.2, 9);
    expect(said(tarn())).toEqual([
      'Tarn takes 48 Wh of its 256 Wh for itself in 12 h 00: a bare battery of 14.6 Ah would give as much.',
    ]);
  });

  it('is never more than there is, and not worth a word where it is little', () => {
    expect(givenWh(20, 4, 0.9, 12)).toBe(0);
    expect(said(tarn({ idleW: sheet(0.5) }))).toEqual([]);
  });
});
