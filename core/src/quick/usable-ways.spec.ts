import { CHEMISTRY_NAMES } from '../battery/chemistry.js';
import { usableWays } from './usable-ways.js';

const shares = (...[chemistry, cells]: Parameters<typeof usableWays>) =>
  usableWays(chemistry, cells).map(({ share }) => share);

describe('three ways to count usable capacity', () => {
  it('are the whole rating, a fixed share, and down to where the radio stops', () => {
    // LiFePO4 rests at 11 V between 10 V (empty) and 12.2 V (5 %): 0.05 x 1 / 2.2 = 2.3 % are left.
    expect(shares('lifepo4', 4)).toEqual([1, 0.9, 0.98]);
    // Lead rests above 11 V when it is empty.
    expect(shares('agm', 6)).toEqual([1, 0.5, 1]);
  });

  it('leaves less to a battery of fewer volts', () => {
    for (const chemistry of CHEMISTRY_NAMES)
      expect(shares(chemistry, 3)[2]).withContext(chemistry).toBeLessThanOrEqual(shares(chemistry, 4)[2]);
    expect(shares('liion', 3)[2]).toBeLessThan(0.6);
  });
});
