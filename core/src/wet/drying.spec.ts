import { HOUR_MS } from '../span.js';
import { rainBetween, rainHours, waterLeft, wetGrams } from './drying.js';
import { better, PROOF_NAMES, stands, weakest } from './proof.js';

const at = (hour: number) => hour * HOUR_MS;
const hour = (from: number, rain: boolean) => ({ startMs: at(from), cloud: 1, rain });

describe('rain over an outing', () => {
  it('is joined where hours follow one another, and cut at both ends', () => {
    const hours = [hour(0, true), hour(1, true), hour(2, false), hour(5, true)];
    expect(rainBetween(hours, at(0.5), at(9))).toEqual([
      { startMs: at(0.5), endMs: at(2) },
      // The last hour that is known holds for an hour.
      { startMs: at(5), endMs: at(6) },
    ]);
    expect(rainHours(rainBetween(hours, at(0.5), at(9)))).toBeCloseTo(2.5, 9);
    expect(rainBetween(hours, at(2), at(5))).toEqual([]);
  });
});

describe('what stands in the rain', () => {
  const rain = [
    { startMs: at(1), endMs: at(2) },
    { startMs: at(6), endMs: at(8) },
  ];

  it('is dry before it, soaked in it, and dries in a straight line', () => {
    expect(waterLeft(rain, at(0.9), 4)).toBe(0);
    expect(waterLeft(rain, at(1), 4)).toBe(0);
    expect(waterLeft(rain, at(1.5), 4)).toBe(1);
    expect(waterLeft(rain, at(3), 4)).toBeCloseTo(0.75, 9);
    expect(waterLeft(rain, at(6), 4)).toBe(0);
    expect(waterLeft(rain, at(10), 4)).toBeCloseTo(0.5, 9);
    expect(waterLeft(rain, at(13), 4)).toBe(0);
    // What is shaken off is dry as soon as the rain ends.
    expect(waterLeft(rain, at(7), 0)).toBe(1);
    expect(waterLeft(rain, at(8.01), 0)).toBe(0);
  });

  it('weighs between dry and soaked, and never less for being wet', () => {
    expect(wetGrams(1000, 1200, 0)).toBe(1000);
    expect(wetGrams(1000, 1200, 0.5)).toBe(1100);
    expect(wetGrams(1000, 1200, 1)).toBe(1200);
    expect(wetGrams(1000, 900, 1)).toBe(1000);
  });
});

describe('what a thing stands of water', () => {
  it('goes from nothing up, and is not known where it is not entered', () => {
    PROOF_NAMES.forEach((proof, at) =>
      PROOF_NAMES.forEach((least, leastAt) => expect(stands(proof, least)).toBe(at >= leastAt)),
    );
    expect(stands(undefined, 'splash')).toBeNull();
  });

  it('is of several what the weakest stands, and not known where of one it is not', () => {
    expect(weakest(['rain', 'splash', 'dunking'])).toBe('splash');
    expect(weakest(['rain', undefined])).toBeNull();
    expect(weakest([])).toBe('dunking');
  });

  it('is what its box stands where that stands more', () => {
    expect(better('none', 'dunking')).toBe('dunking');
    expect(better('dunking', 'splash')).toBe('dunking');
    expect(better(undefined, 'rain')).toBe('rain');
    expect(better('splash', undefined)).toBe('splash');
    expect(better(undefined, undefined)).toBeUndefined();
  });
});
