import { sayGain } from './kit-gain.js';

describe('what one would gain by a kit', () => {
  it('is told in outings of a hundred and in weight', () => {
    const bag = { grams: 3000, chance: 0.71 };
    expect(sayGain({ grams: 4220, chance: 0.92 }, bag)).toBe(
      '21 of 100 surer and 1.22 kg heavier than what is in the bag',
    );
    expect(sayGain({ grams: 2400, chance: 0.6 }, bag)).toBe(
      '11 of 100 less sure and 0.60 kg lighter than what is in the bag',
    );
    expect(sayGain({ grams: 3005, chance: 0.92 }, bag)).toBe('21 of 100 surer than what is in the bag');
    expect(sayGain({ grams: 3010, chance: 0.714 }, bag)).toBe('0.01 kg heavier than what is in the bag');
  });

  it('says nothing where there is nothing to tell', () => {
    expect(sayGain({ grams: 3000, chance: 0.9 }, { grams: 0, chance: null })).toBe('');
    expect(sayGain({ grams: 3009, chance: 0.714 }, { grams: 3000, chance: 0.71 })).toBe('');
    expect(sayGain({ grams: 4000, chance: 0.9 }, { grams: 3000, chance: null })).toBe(
      '1.00 kg heavier than what is in the bag',
    );
  });
});
