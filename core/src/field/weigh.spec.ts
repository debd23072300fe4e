import fc from 'fast-check';
import { effectiveNumber, partToTake, sharesOf, survivors, weightedMean, weightedQuantile } from './weigh.js';

describe('weights of particles', () => {
  const logs = (...weights: number[]) => Float64Array.from(weights, Math.log);

  it('are shares, however large their logarithms', () => {
    const [one, other] = sharesOf(Float64Array.of(1000, 1000 + Math.log(3)));
    expect(one).toBeCloseTo(0.25, 12);
    expect(other).toBeCloseTo(0.75, 12);
  });

  it('stand for as many particles as they are even', () => {
    expect(effectiveNumber(logs(1, 1, 1, 1))).toBeCloseTo(4, 12);
    expect(effectiveNumber(logs(1, 1e-30))).toBeCloseTo(1, 12);
    expect(effectiveNumber(logs(3, 1))).toBeCloseTo(16 / 10, 12);
  });

  it('let each particle live on as often as it weighs, to within one', () => {
    const weight = logs(5, 1, 3, 1);
    for (const start of [0, 0.3, 0.99]) {
      const from = survivors(weight, start, 1000);
      [500, 100, 300, 100].forEach((wanted, index) => {
        expect(Math.abs(from.filter((one) => one === index).length - wanted)).toBeLessThanOrEqual(1);
      });
    }
    expect([...survivors(logs(0, 1), 0.5)]).toEqual([1, 1]);
  });

  it('take so much of a reading that enough of them are left', () => {
    const weight = new Float64Array(100);
    const says = Float64Array.from({ length: 100 }, (_, index) => -index);
    expect(
      partToTake(
        weight,
        says.map((one) => one / 1e6),
        1,
        50,
      ),
    ).toBe(1);
    const part = partToTake(weight, says, 1, 50);
    expect(part).toBeGreaterThan(0);
    expect(part).toBeLessThan(1);
    expect(effectiveNumber(says.map((one) => part * one))).toBeGreaterThanOrEqual(50);
    expect(effectiveNumber(says.map((one) => (part + 0.001) * one))).toBeLessThan(50);
  });

  it('go on by small parts where none leaves enough', () => {
    const says = Float64Array.of(0, -1e9, -1e9);
    expect(partToTake(new Float64Array(3), says, 0.64, 3)).toBeCloseTo(0.01, 12);
  });

  it('have a mean, a spread and quantiles', () => {
    const shares = [0.25, 0.25, 0.5];
    expect(weightedMean([1, 2, 4], shares)).toEqual({ mean: 2.75, sd: Math.sqrt(1.6875) });
    expect(weightedQuantile([4, 1, 2], [0.5, 0.25, 0.25], 0.1)).toBe(1);
    expect(weightedQuantile([4, 1, 2], [0.5, 0.25, 0.25], 0.5)).toBe(2);
    expect(weightedQuantile([4, 1, 2], [0.5, 0.25, 0.25], 0.9)).toBe(4);
    expect(weightedQuantile([3, 3, 3], [0.2, 0.3, 0.5], 0.9)).toBe(3);
    expect(weightedQuantile([0, 1e9, 1e-9], [0.4, 0.2, 0.4], 0.5)).toBe(1e-9);
  });

  it('have the quantiles that the sorted values have', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: -5, max: 5, noNaN: true }), fc.integer({ min: 1, max: 9 })), {
          minLength: 1,
        }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (pairs, share) => {
          const sum = pairs.reduce((all, [, weight]) => all + weight, 0);
          const ordered = pairs.toSorted(([a], [b]) => a - b);
          let below = 0;
          const wanted =
            ordered.find(([, weight]) => (below += weight / sum) >= share + 1e-9) ?? ordered.at(-1)!;
          const found = weightedQuantile(
            pairs.map(([value]) => value),
            pairs.map(([, weight]) => weight / sum),
            share + 1e-9,
          );
          expect(Math.abs(found - wanted[0])).toBeLessThan(1e-12);
        },
      ),
    );
  });
});
