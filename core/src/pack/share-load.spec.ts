import fc from 'fast-check';
import { shareLoad } from './share-load.js';

const loadsOf = (grams: readonly number[], carriers: number) => {
  const by = shareLoad(grams, carriers);
  return Array.from({ length: carriers }, (_, one) =>
    grams.reduce((sum, weight, index) => (by[index] === one ? sum + weight : sum), 0),
  );
};

/** The smallest largest load there is, by trying every way. */
function best(grams: readonly number[], carriers: number): number {
  let least = Infinity;
  for (let way = 0; way < carriers ** grams.length; way++) {
    const loads = new Array<number>(carriers).fill(0);
    grams.forEach((weight, index) => (loads[Math.floor(way / carriers ** index) % carriers] += weight));
    least = Math.min(least, Math.max(...loads));
  }
  return least;
}

describe('sharing a load', () => {
  it('splits evenly where that can be done', () => {
    expect(loadsOf([500, 2000, 1500], 2)).toEqual([2000, 2000]);
  });

  it('gives out the heaviest first, of two alike the first, each to who has the least', () => {
    expect(shareLoad([100, 100, 200], 2)).toEqual([1, 1, 0]);
    // 500 to the first, 400 to the second, 300 to the second, 300 to the first
    expect(shareLoad([300, 500, 300, 400], 2)).toEqual([1, 0, 0, 1]);
    expect(shareLoad([], 3)).toEqual([]);
  });

  it('gives everything to one who is alone', () => {
    expect(shareLoad([10, 20, 30], 1)).toEqual([0, 0, 0]);
  });

  it('is within a third of the best way, and no two loads differ by more than a piece', () => {
    const pieces = fc.array(fc.integer({ min: 0, max: 5000 }), { minLength: 1, maxLength: 7 });
    fc.assert(
      fc.property(pieces, fc.integer({ min: 1, max: 3 }), (grams, carriers) => {
        const loads = loadsOf(grams, carriers);
        const most = Math.max(...loads);
        return (
          most <= (4 / 3) * best(grams, carriers) + 1e-9 && most - Math.min(...loads) <= Math.max(...grams)
        );
      }),
    );
  });
});
