import { oddsOf } from '../chance/chance.js';
import { sayChance, sayLasting, sayOdds, sayUp } from './chance-sum.js';

describe('a chance in words', () => {
  it('is told in hundredths, and as all or none only where it is so', () => {
    const told = (finished: number) => sayOdds(oddsOf(finished, 400));
    expect([400, 399, 348, 2, 1, 0].map(told)).toEqual([
      'all of 400',
      '99 of 100',
      '87 of 100',
      '1 of 100',
      '1 of 100',
      'none of 400',
    ]);
    expect([400, 399, 348, 1, 0].map((finished) => sayChance(oddsOf(finished, 400)))).toEqual([
      '100 %',
      '99 %',
      '87 %',
      '1 %',
      '0 %',
    ]);
    expect(sayLasting(oddsOf(348, 400))).toBe('lasts in 87 of 100 simulated outings');
  });

  it('tells an availability to a tenth where little is lacking', () => {
    expect([1, 0.9994, 0.98, 0.9, 0.899, 0.31].map(sayUp)).toEqual([
      '100 %',
      '99.9 %',
      '98 %',
      '90 %',
      '90 %',
      '31 %',
    ]);
  });
});
