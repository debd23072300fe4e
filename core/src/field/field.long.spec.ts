import { heldIn80, otherRanks, ownRanks, unevenness } from '../testing/field-coverage.js';

/** `npm run calibrate` does the same with 300 outings. */
const OUTINGS = 60;
/** Two and a half standard errors of so few. */
const WITHIN = 0.13;
/** Chi squared of ten bins is above this once in a thousand. */
const UNEVEN = 27.9;

describe('an estimate', () => {
  it('holds the truth as often as it says, in outings of its own law: the charge and what it learns', () => {
    const ranks = ownRanks(OUTINGS);
    expect(Math.abs(heldIn80([...ranks.values()].flat()) - 0.8)).toBeLessThanOrEqual(0.05);
    for (const [name, each] of ranks) {
      expect(Math.abs(heldIn80(each) - 0.8))
        .withContext(name)
        .toBeLessThanOrEqual(WITHIN);
      expect(unevenness(each)).withContext(name).toBeLessThan(UNEVEN);
    }
  });

  it('holds the charge of outings of another make seven to nine times of ten', () => {
    expect(Math.abs(heldIn80(otherRanks(OUTINGS)) - 0.8)).toBeLessThanOrEqual(0.1 + WITHIN / 2);
  });
});
