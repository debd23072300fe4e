import { socAfterStorage } from './self-discharge.js';

describe('self-discharge', () => {
  it('takes its share of what is left, month by month', () => {
    expect(socAfterStorage('nimh', 1, 30)).toBeCloseTo(0.8, 12);
    expect(socAfterStorage('nimh', 1, 60)).toBeCloseTo(0.64, 12);
    expect(socAfterStorage('nimh', 1, 30, true)).toBeCloseTo(0.98, 12);
    expect(socAfterStorage('flooded', 0.5, 30)).toBeCloseTo(0.46, 12);
    expect(socAfterStorage('alkaline', 1, 0)).toBe(1);
    // no other chemistry has cells that keep it better
    expect(socAfterStorage('agm', 1, 30, true)).toBeCloseTo(0.96, 12);
  });
});
