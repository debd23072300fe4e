import { daysUntilEmpty } from '../battery/forgotten.js';
import { starterHours, takenFromVehicle } from './starter.js';

describe('charging out of a vehicle', () => {
  it('takes more amps than it gives, and leaves the starter a few hours', () => {
    // 5 A at 14 V are 70 W; through 0.88 at 12.3 V 6.47 A.
    expect(takenFromVehicle(5, 14)).toBeCloseTo(6.467, 3);
    // A fifth of 60 Ah.
    expect(starterHours(6)).toBe(2);
  });
});

describe('a battery that is left with its controller connected', () => {
  it('is empty after days: by what is taken, and sooner by what it loses itself', () => {
    // 18 Ah at 8 mA are 2,250 h; with 3 % a month it is less.
    const days = daysUntilEmpty(18, 0.008, 'lifepo4');
    expect(days).toBeLessThan(18 / 0.008 / 24);
    expect(days).toBeGreaterThan(0.9 * (18 / 0.008 / 24));
    // By hand: k = 0.03 / 730, ln(1 + 18 k / 0.008) / k / 24.
    const k = 0.03 / 730;
    expect(days).toBeCloseTo(Math.log(1 + (18 * k) / 0.008) / k / 24, 9);
    expect(daysUntilEmpty(17, 0.012, 'flooded')).toBeLessThan(daysUntilEmpty(17, 0.012, 'agm'));
    expect(daysUntilEmpty(18, 0.016, 'lifepo4')).toBeLessThan(days);
  });
});
