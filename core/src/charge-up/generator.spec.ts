import { fuelLitres, isQuietHour, quietDistanceM, takenFromMains } from './generator.js';

describe('a generator', () => {
  it('burns fuel by its load, and some with nothing connected', () => {
    // 0.6 l an hour at its rated load: 0.18 l with nothing, half of the load 0.39.
    expect(fuelLitres(1, 1, 0.6)).toBeCloseTo(0.6, 9);
    expect(fuelLitres(2, 0, 0.6)).toBeCloseTo(0.36, 9);
    expect(fuelLitres(1, 0.5, 0.6)).toBeCloseTo(0.39, 9);
    expect(fuelLitres(1, 3, 0.6)).toBe(fuelLitres(1, 1, 0.6));
  });

  it('is as quiet as a night wants it at a distance that doubles with every 6 dB', () => {
    // 57 dB(A) at 7 m: 12 dB more than 45 are four times as far.
    expect(quietDistanceM(57)).toBeCloseTo(7 * 3.98, 1);
    expect(quietDistanceM(63) / quietDistanceM(57)).toBeCloseTo(10 ** 0.3, 9);
    expect(quietDistanceM(45)).toBe(7);
  });

  it('gives a charger more than reaches the battery', () => {
    // 10 A at 14.4 V are 144 W.
    expect(takenFromMains(10, 14.4)).toBeCloseTo(169.4, 1);
  });

  it('is unwelcome from ten in the evening to seven', () => {
    expect([21.9, 22, 2, 6.9, 7].map(isQuietHour)).toEqual([false, true, true, true, false]);
  });
});
