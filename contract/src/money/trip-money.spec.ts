import type { Gear } from '../documents/gear.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { tripMoney } from './trip-money.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
/** Two of these are in the bag. */
const battery: Gear = { ...shale, price: sheet(120), cycles: sheet(100) };

describe('the money of a bag', () => {
  it('counts what is worth something, and what has no price', () => {
    const money = tripMoney(trip(), [curlew, battery], null, 12);
    expect([money.worth, money.unpriced, money.toBuy]).toEqual([240, 1, 0]);
    expect(money.toBuyNames).toEqual([]);
  });

  it('counts of a budget only what is still to buy', () => {
    const wished: readonly Gear[] = [
      { ...curlew, wished: true },
      { ...battery, wished: true },
    ];
    const money = tripMoney(trip({ budget: 200 }), wished, null, 12);
    expect([money.toBuy, money.budget, money.overBudget]).toEqual([240, 200, 40]);
    expect(money.toBuyNames).toEqual([curlew.name, `2 × ${shale.name}`]);
    expect(money.toBuyUnpriced).toEqual([curlew.name]);
    expect(tripMoney(trip({ budget: 300 }), wished, null, 12).overBudget).toBe(0);
  });

  it('shares a price among the outings of a life: by its own cycles or its years', () => {
    // Two of 10 Ah give 10 Ah: half a cycle each, 200 outings; ten years of twelve are 120.
    const byAge = tripMoney(trip(), [curlew, battery], 10, 12).perOuting[0];
    expect([byAge.outings, byAge.ends, byAge.cost]).toEqual([120, 'years', 2]);
    const byUse = tripMoney(trip(), [curlew, battery], 10, 52);
    expect([byUse.perOuting[0].outings, byUse.perOuting[0].ends]).toEqual([200, 'cycles']);
    expect(byUse.costPerOuting).toBeCloseTo(1.2, 9);
    // A radio has no cycles.
    const radio = tripMoney(trip(), [{ ...curlew, price: sheet(1200) }, battery], 10, 12);
    expect(radio.perOuting[0]).toEqual(
      jasmine.objectContaining({ name: curlew.name, cost: 10, ends: 'years' }),
    );
  });
});
