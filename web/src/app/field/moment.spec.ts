import { clampToOuting, isUnderWay, momentWithoutClock, withItsMinute } from './moment';

const trip = { start: '2027-09-04T10:00:00Z', end: '2027-09-05T10:00:00Z' };
const at = (text: string) => Date.parse(`2027-09-${text}:00Z`);

describe('the moment that the room is about', () => {
  it('is within the outing', () => {
    expect(
      [at('04T09:59'), at('04T10:00'), at('05T10:00'), at('05T10:01')].map((timeMs) =>
        isUnderWay(trip, timeMs),
      ),
    ).toEqual([false, true, true, false]);
    expect(clampToOuting(trip, at('04T08:00'))).toBe(at('04T10:00'));
    expect(clampToOuting(trip, at('06T08:00'))).toBe(at('05T10:00'));
  });

  it('is that of the last entry where the clock stands elsewhere, else the start', () => {
    expect(momentWithoutClock(trip, [])).toBe(at('04T10:00'));
    expect(momentWithoutClock(trip, [{ at: '2027-09-04T12:00:00Z' }, { at: '2027-09-04T20:00:00Z' }])).toBe(
      at('04T20:00'),
    );
    expect(momentWithoutClock(trip, [{ at: '2027-09-09T20:00:00Z' }])).toBe(at('05T10:00'));
  });

  it('takes in what was entered within its minute, and nothing later', () => {
    const entered = (...seconds: readonly string[]) =>
      seconds.map((second) => ({ at: `2027-09-04T12:${second}Z` }));
    expect(withItsMinute(at('04T12:00'), entered('00:07.001', '00:30'))).toBe(at('04T12:00') + 30_000);
    expect(withItsMinute(at('04T12:00'), entered('01:00'))).toBe(at('04T12:00'));
    expect(withItsMinute(at('04T12:00'), [{ at: '2027-09-04T11:00:00Z' }])).toBe(at('04T12:00'));
  });
});
