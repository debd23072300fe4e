import { levelsAt } from './marks.js';
import { curlew } from '../testing/outing.js';
import type { Radio } from '../documents/gear.js';
import { readPower } from './read-power.js';

describe('the power that a current tells', () => {
  const radio: Radio = {
    ...curlew,
    transmit: [
      { rfW: 10, amps: 1.9, source: 'measured' },
      { rfW: 5, amps: 1.2, source: 'measured' },
    ],
  };
  const level = (powerW: number) => levelsAt(radio, powerW, 'CW').keyDownA;

  it('is the one whose level is nearest, whatever was asked for', () => {
    expect(readPower(level(10), radio, 5)).toBe(10);
    expect(readPower(level(5) * 1.05, radio, 10)).toBe(5);
  });

  it('is the one that was asked for, where no level is near', () => {
    expect(readPower(level(10) * 3, radio, 7)).toBe(7);
    expect(readPower(level(5) / 3, radio, 2)).toBe(2);
  });
});
