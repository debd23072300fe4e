import type { Accessory } from '../documents/gear.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { inverterCostAh } from './inverter-cost.js';
import { resolve } from './resolve.js';

const laptop = (change: Partial<Accessory> = {}): Accessory => ({
  ...{ schema: 'knapsack.gear', version: 8, id: 'laptop', kind: 'accessory', name: 'laptop' },
  ...{ drawW: { value: 45, source: 'datasheet' }, via: 'mains', rule: { when: 'always' } },
  ...change,
});
const said = (gear: Accessory) => {
  const plan = resolve(trip({ loadout: [...trip().loadout, { gear: 'laptop', count: 1 }] }), [
    curlew,
    shale,
    gear,
  ]);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value.remarks!.filter((sentence) => sentence.includes('inverter'));
};

describe('what an inverter costs', () => {
  it('is its losses and its standing draw against those of a converter', () => {
    // 45 / 0.85 + 6 less 45 / 0.9 are 8.94 W; for twelve hours at 13 V 8.25 Ah.
    expect(inverterCostAh(45, 12)).toBeCloseTo((12 * (45 / 0.85 + 6 - 50)) / 13, 9);
    expect(said(laptop())).toEqual([
      'laptop through the inverter takes 8.25 Ah more than on a converter from 12 V.',
    ]);
  });

  it('counts the hours that it is on, and says nothing of what needs no inverter', () => {
    expect(said(laptop({ rule: { when: 'minutes', anHour: 30 } }))[0]).toContain('4.13 Ah more');
    expect(said(laptop({ via: 'laptop' }))).toEqual([]);
  });
});
