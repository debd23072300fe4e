import { METRIC } from '@knapsack/core';
import { readHabits } from './index.js';

describe('the habits that an answer is to be said in', () => {
  it('are read, what is left out metric, of 24 hours and without a currency', () => {
    expect(readHabits(undefined)).toEqual({ ok: true, value: METRIC });
    expect(readHabits({ units: 'us', clock: 12, currency: 'USD' })).toEqual({
      ok: true,
      value: { units: 'us', clock: 12, currency: 'USD' },
    });
    expect(readHabits({ currency: '' }).ok).toBeTrue();
  });

  it('are refused with a sentence where they are others', () => {
    for (const wrong of [
      { units: 'imperial' },
      { clock: 13 },
      { currency: 'euro' },
      { oneLetterKeys: true },
      { constructor: 1 },
      'us',
      7,
    ]) {
      const read = readHabits(wrong);
      expect(read.ok).withContext(JSON.stringify(wrong)).toBeFalse();
    }
  });
});
