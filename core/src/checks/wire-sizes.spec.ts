import { inHabits } from '../say/habits.js';
import { evenGaugeFor, sayWireSize, sizeWords } from './wire-sizes.js';

const US = { units: 'us', clock: 12, currency: 'USD' } as const;

describe('the size of a wire in words', () => {
  it('is as it was entered: a gauge by its number, a cross section in its unit', () => {
    expect([
      sayWireSize({ awg: 12 }),
      sayWireSize({ areaMm2: 2.5 }),
      sayWireSize({ awg: null, areaMm2: 0.333 }),
    ]).toEqual([...['AWG 12', '2.5 mm²', '0.33 mm²']]);
    expect(sayWireSize({})).toBe('0 mm²');
  });

  it('is with US customary units the nearest even gauge, which two on is 1.59 times as thin', () => {
    const said = (areaMm2: number) => inHabits(US, () => sayWireSize({ areaMm2 }));
    // AWG 10 is 5.26 mm², 12 is 3.31, 14 is 2.08, 16 is 1.31, 18 is 0.823.
    expect([5.26, 3.31, 2.08, 1.31, 0.823].map(said)).toEqual(
      [10, 12, 14, 16, 18].map((gauge) => `≈ AWG ${gauge}`),
    );
    expect([4, 2.5, 1.5].map(said)).toEqual([12, 14, 16].map((gauge) => `≈ AWG ${gauge}`));
    expect(inHabits(US, () => sayWireSize({ awg: 13 }))).toBe('AWG 13');
    expect(said(0)).toBe('0 mm²');
  });

  it('asks for a gauge that is no thinner', () => {
    expect([evenGaugeFor(2.08), evenGaugeFor(2.09), evenGaugeFor(0.01), evenGaugeFor(900)]).toEqual([
      14, 12, 30, 0,
    ]);
    expect(sizeWords(4)).toBe('4 mm² wire');
    expect(inHabits(US, () => sizeWords(4))).toBe('AWG 10 wire (4 mm² or more)');
  });
});
