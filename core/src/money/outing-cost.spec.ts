import { CHEMISTRY_NAMES } from '../battery/chemistry.js';
import { costPerKiloLess, outingCost, usualLife } from './outing-cost.js';

describe('what a thing costs an outing', () => {
  const life = { cycles: 2000, years: 10 };

  it('is its price over the outings until its cycles or its years are up, whichever is sooner', () => {
    // Half a cycle each: 4,000 outings by use; twelve a year for ten years are 120.
    expect(outingCost(240, life, 0.5, 12)).toEqual({ cost: 2, outings: 120, ends: 'years' });
    expect(outingCost(240, { cycles: 30, years: 10 }, 0.5, 12)).toEqual({
      cost: 4,
      outings: 60,
      ends: 'cycles',
    });
    // What has no cycles ends by its years.
    expect(outingCost(240, life, 0, 24).outings).toBe(240);
    // A primary cell of which half is used costs half of its price.
    expect(outingCost(8, usualLife('alkaline'), 0.5, 12)).toEqual({ cost: 4, outings: 2, ends: 'cycles' });
  });

  it('falls with more outings a year, and never with a deeper use', () => {
    let before = Infinity;
    for (const aYear of [1, 4, 12, 50, 400]) {
      const { cost } = outingCost(100, life, 1, aYear);
      expect(cost).toBeLessThanOrEqual(before);
      before = cost;
    }
    for (const cycles of [0.1, 0.5, 1, 3])
      expect(outingCost(100, life, 2 * cycles, 300).cost).toBeGreaterThanOrEqual(
        outingCost(100, life, cycles, 300).cost,
      );
  });

  it('knows a life of every chemistry, lithium iron the longest', () => {
    for (const name of CHEMISTRY_NAMES) {
      expect(usualLife(name).cycles).withContext(name).toBeGreaterThan(0);
      expect(usualLife(name).cycles).withContext(name).toBeLessThanOrEqual(usualLife('lifepo4').cycles);
    }
    expect(usualLife('agm')).toEqual({ cycles: 300, years: 5 });
    expect(usualLife('liion').cycles).toBe(500);
    expect(usualLife('nimh').cycles).toBe(500);
  });
});

describe('what each kilo less costs', () => {
  it('is the money between two kits over the weight between them', () => {
    expect(costPerKiloLess({ grams: 6000, price: 100 }, { grams: 4000, price: 250 })).toBe(75);
  });

  it('is no question where the lighter is not dearer, or a price is not known', () => {
    expect(costPerKiloLess({ grams: 6000, price: 100 }, { grams: 4000, price: 90 })).toBeNull();
    expect(costPerKiloLess({ grams: 4000, price: 100 }, { grams: 4000, price: 250 })).toBeNull();
    expect(costPerKiloLess({ grams: 6000, price: null }, { grams: 4000, price: 250 })).toBeNull();
    expect(costPerKiloLess({ grams: 6000, price: 100 }, { grams: 4000, price: null })).toBeNull();
  });
});
