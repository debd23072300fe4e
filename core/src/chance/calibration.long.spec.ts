import { lastedAt } from '../testing/season-outing.js';

/** Seasons, and how far what came may be from what was told, points: some two standard errors of so many seasons. */
const SEASONS = 300;
const WITHIN = 4;

describe('a chance that is told', () => {
  // `npm run calibrate` does the same with more seasons, and at even chances.
  it('comes true in seasons of another make, whose fair days let 85 of 100 of the clear light through', () => {
    const told = [0.8, 0.9, 0.95];
    const came = lastedAt(told, 0.85, 20_000, SEASONS);
    told.forEach((chance, index) => {
      expect(Math.abs((100 * came[index]) / SEASONS - 100 * chance))
        .withContext(`told ${100 * chance} %`)
        .toBeLessThanOrEqual(WITHIN);
    });
  });
});
