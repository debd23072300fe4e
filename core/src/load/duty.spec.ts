import fc from 'fast-check';
import { ACTIVITIES, ACTIVITY_NAMES, isUnattended } from './activity.js';
import { dutyOf, sayDuty, shareOfDuty, usualShare } from './duty.js';
import { MODE_NAMES } from './mode.js';

describe('duty', () => {
  const shareIn = (duty: Parameters<typeof shareOfDuty>[0], mode: 'SSB' | 'FT8' | 'WSPR' = 'SSB') => {
    const share = shareOfDuty(duty, mode);
    return share.ok ? share.value : share.problems[0].sentence;
  };

  it('counts calls, packets and slots into a share', () => {
    expect(shareIn({ in: 'pieces', perMinute: 3, seconds: 5 })).toBeCloseTo(0.25, 12);
    expect(shareIn({ in: 'slots', oneIn: 2 }, 'FT8')).toBeCloseTo(0.4213, 4);
    expect(shareIn({ in: 'slots', oneIn: 5 }, 'WSPR')).toBeCloseTo(110.6 / 600, 12);
  });

  it('says what does not fit into a minute or into a mode', () => {
    expect(shareIn({ in: 'pieces', perMinute: 20, seconds: 4 })).toContain('80 s of transmitting');
    expect(shareIn({ in: 'pieces', perMinute: NaN, seconds: 4 })).toContain('it has 60');
    expect(shareIn({ in: 'slots', oneIn: 2 })).toContain('no slots');
    expect(shareIn({ in: 'slots', oneIn: 0.5 }, 'FT8')).toContain('cannot be sent');
  });

  it('usually is the slots of a slotted mode and the exchanges of a data link, else the activity’s own', () => {
    // 12.64 s of every other slot of 15 s; 110.6 s of every other one of 120 s
    expect([usualShare('slots', 'FT8'), usualShare('slots', 'WSPR')]).toEqual([0.42, 0.46]);
    expect(usualShare('slots', 'SSB')).toBe(ACTIVITIES.slots.share);
    expect(usualShare('calling', 'FT8')).toBe(0.5);
    expect(usualShare('relay', 'SSB')).toBe(0.25);
  });

  it('goes there and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.67, noNaN: true }),
        fc.constantFrom(...MODE_NAMES),
        (share, mode) => {
          const back = shareOfDuty(dutyOf(share, mode), mode);
          expect(back.ok && back.value).toBeCloseTo(share, 9);
        },
      ),
    );
  });

  it('tells a share in words that show an absurd one', () => {
    expect(sayDuty(0.5, 'SSB')).toBe('5.0 calls of 6 s a minute');
    expect(sayDuty(0.5, 'PKT')).toBe('38 packets of 0.8 s a minute');
    expect(sayDuty(0.01, 'CW')).toBe('3.6 calls of 10 s an hour');
    expect(sayDuty(0.42, 'FT8')).toBe('every other slot');
    expect(sayDuty(0.9, 'FT8')).toBe('more than every slot');
    expect(sayDuty(0.2, 'WSPR')).toBe('1 slot in 4.6');
    expect(sayDuty(0, 'CW')).toBe('never');
  });

  it('gives every other slot the timing of its own mode, once', () => {
    expect(usualShare('slots', 'FT8')).toBe(0.42);
    expect(usualShare('slots', 'FT4')).toBe(0.34);
    expect(usualShare('relay', 'DYNAMIC')).toBe(0.45);
    expect(usualShare('relay', 'PKT')).toBe(0.25);
  });
});

describe('an activity', () => {
  it('is left alone where it is a relay, and nowhere else', () => {
    expect(ACTIVITY_NAMES.filter(isUnattended)).toEqual(['relay']);
  });
});
