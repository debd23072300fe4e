import { CHEMISTRY_NAMES, chemistryOf } from './chemistry.js';
import { daysUntilEmpty } from './forgotten.js';

describe('a battery that is left with something joined to it', () => {
  it('is empty when a step of an hour after another says so, which leaks as it goes', () => {
    for (const chemistry of CHEMISTRY_NAMES) {
      const perHour = chemistryOf(chemistry).leaksAMonth / 730;
      let [storedAh, hours] = [18, 0];
      for (; storedAh > 0; hours++) storedAh -= 0.008 + perHour * storedAh;
      const days = daysUntilEmpty(18, 0.008, chemistry);
      expect(Math.abs(days / (hours / 24) - 1))
        .withContext(chemistry)
        .toBeLessThan(0.005);
    }
  });

  it('is so after its charge over the current where that is large', () => {
    // 10 Ah at 1 A are ten hours, of which no leak takes a minute.
    expect(daysUntilEmpty(10, 1, 'lifepo4')).toBeCloseTo(10 / 24, 3);
  });

  it('lasts longer the fuller it is and the less is drawn, never twice as long for twice the charge', () => {
    const days = (storedAh: number, amps: number) => daysUntilEmpty(storedAh, amps, 'agm');
    expect(days(10, 0.01)).toBeGreaterThan(days(9, 0.01));
    expect(days(10, 0.01)).toBeGreaterThan(days(10, 0.02));
    expect(days(20, 0.01)).toBeLessThan(2 * days(10, 0.01));
  });
});
