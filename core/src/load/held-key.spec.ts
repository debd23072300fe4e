import { heldLonger } from './held-key.js';
import { isUnattended, ACTIVITY_NAMES } from './activity.js';
import type { Mode } from './mode.js';

describe('a key that is held', () => {
  const held = (mode: Mode, seconds: number | undefined, share = 0.5) => heldLonger({ mode, share }, seconds);

  it('is held for as long as a slot is on the air', () => {
    expect([held('FT8', 12.6), held('FT8', 12.64), held('FT8', 15)]).toEqual([true, false, false]);
    expect([held('FT4', 5), held('FT4', 10)]).toEqual([true, false]);
  });

  it('is held for a whole call where the carrier stays, and for a dash or a syllable where it does not', () => {
    // FM is key down for all of a call of six seconds, SSB for less than half of it.
    expect([held('FM', 5.9), held('FM', 6)]).toEqual([true, false]);
    expect([held('SSB', 1.9), held('SSB', 2), held('SSB', 5.9)]).toEqual([true, false, false]);
    expect([held('CW', 1.9), held('CW', 2)]).toEqual([true, false]);
  });

  it('is not held where nobody transmits, and nothing is said where the limit or the mode is not known', () => {
    expect([held('FT8', 1, 0), held('FT8', undefined), heldLonger({ share: 0.5 }, 1)]).toEqual([
      false,
      false,
      false,
    ]);
  });
});

describe('an activity', () => {
  it('goes on by itself where it relays, and needs somebody else', () => {
    expect(ACTIVITY_NAMES.filter(isUnattended)).toEqual(['relay']);
  });
});
