import { generator, normal, seedOf } from './generator.js';

const many = (count: number, next: () => number) => Array.from({ length: count }, next);
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

describe('the generator', () => {
  it('gives the same numbers for the same seed, others for another', () => {
    expect(many(5, generator(7))).toEqual(many(5, generator(7)));
    expect(many(5, generator(7))).not.toEqual(many(5, generator(8)));
    expect(seedOf('59.02 5.31 2027-09-04')).not.toBe(seedOf('59.02 5.31 2027-09-05'));
  });

  it('is the one that is published: its first numbers for a seed of 1', () => {
    expect(many(3, generator(1))).toEqual([0.6270739405881613, 0.002735721180215478, 0.5274470399599522]);
  });

  it('makes another seed of every word, and of the same letters in another order', () => {
    const seeds = ['', 'a', 'b', 'ab', 'ba', 'aa'].map(seedOf);
    expect(new Set(seeds).size).toBe(seeds.length);
  });

  it('spreads evenly from 0 to 1, and a normal draw around 0 by 1', () => {
    const even = many(20_000, generator(1));
    expect(Math.min(...even)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...even)).toBeLessThan(1);
    expect(mean(even)).toBeCloseTo(0.5, 1);
    const next = generator(2);
    const draws = many(20_000, () => normal(next));
    expect(Math.abs(mean(draws))).toBeLessThan(0.03);
    expect(Math.abs(mean(draws.map((draw) => draw ** 2)) - 1)).toBeLessThan(0.05);
  });
});
