import { sayPower, sayWork } from './work.js';

describe('what is worked, in words', () => {
  it('has the power as it was typed', () => {
    expect([100, 10, 2.5, 0.25, 0.3].map(sayPower)).toEqual(['100 W', '10 W', '2.5 W', '0.25 W', '0.3 W']);
    expect(sayPower(1 / 3)).toBe('0.33 W');
    expect(sayWork({ mode: 'CW', powerW: 0.25 })).toBe('CW 0.25 W');
  });
});
