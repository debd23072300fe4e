import fc from 'fast-check';
import { METRIC, inHabits } from './habits.js';
import { readLocalTime } from './read-time.js';
import { sayDate, sayDay, sayHour, toLocalField } from './time.js';

const ZONE = 'Europe/Oslo';
/** Saturday 4 September 2027, 16:30 in Oslo. */
const NEAR = Date.UTC(2027, 8, 4, 14, 30);
const read = (text: string, near = NEAR) => {
  const time = readLocalTime(text, near, ZONE);
  return time === null ? null : toLocalField(time, ZONE);
};

describe('a typed day and hour', () => {
  it('are taken in the ways in which people write them', () => {
    for (const text of [
      '5 Sep 18:40',
      'Sep 5, 6:40 pm',
      'Sun 5 September 2027 18:40',
      'September 5 2027 at 6:40 PM',
      '5. september 18h40',
      '2027-09-05T18:40',
      '2027-09-05 18:40',
      'sunday 1840',
      'SUN 6:40\u00A0PM',
    ])
      expect(read(text)).withContext(text).toBe('2027-09-05T18:40');
  });

  it('keep what is left out', () => {
    expect(read('18:05')).toBe('2027-09-04T18:05');
    expect(read('6 Sep')).toBe('2027-09-06T16:30');
    expect(read('noon')).toBeNull();
    expect(read('12 am')).toBe('2027-09-04T00:00');
    expect(read('12 pm')).toBe('2027-09-04T12:00');
  });

  it('have hours and minutes that there are', () => {
    expect(read('23:59')).toBe('2027-09-04T23:59');
    expect(read('00:00')).toBe('2027-09-04T00:00');
    expect(read('12:59 pm')).toBe('2027-09-04T12:59');
    for (const text of ['24:00', '12:60', '0:30 pm', '13 pm', '13:00 am'])
      expect(read(text)).withContext(text).toBeNull();
  });

  it('mean the nearest such day', () => {
    expect(read('Tue')).toBe('2027-09-07T16:30');
    expect(read('Wed')).toBe('2027-09-01T16:30');
    expect(read('Sat')).toBe('2027-09-04T16:30');
    expect(read('2 Jan 08:00', Date.UTC(2027, 11, 30, 12))).toBe('2028-01-02T08:00');
    expect(read('30 Dec 08:00', Date.UTC(2028, 0, 2, 12))).toBe('2027-12-30T08:00');
    expect(read('29 Feb 2028')).toBe('2028-02-29T16:30');
  });

  it('are refused where they are none, or could be two', () => {
    for (const text of [
      '',
      'soon',
      '4/9',
      '4.9.2027',
      '31 Feb 2027',
      '25:00',
      '13 pm',
      '16:75',
      '4 Sep 16',
      'September',
      '4 constructor',
    ])
      expect(read(text)).withContext(text).toBeNull();
  });

  it('come back as they are said, in both clocks and orders of day and month', () => {
    const instants = fc
      .integer({ min: Date.UTC(2020, 0), max: Date.UTC(2090, 0) })
      .map((ms) => ms - (ms % 60_000));
    const habits = fc.record({
      units: fc.constantFrom('metric' as const, 'us' as const),
      clock: fc.constantFrom(12 as const, 24 as const),
    });
    fc.assert(
      fc.property(instants, habits, (time, chosen) => {
        inHabits({ ...METRIC, ...chosen }, () => {
          const again = (said: string) => toLocalField(readLocalTime(said, time, ZONE)!, ZONE);
          expect(again(`${sayDay(time, ZONE)} ${sayHour(time, ZONE)}`)).toBe(toLocalField(time, ZONE));
          const date = `${sayDate(time, ZONE)} ${sayHour(time, ZONE)}`;
          expect(toLocalField(readLocalTime(date, NEAR, ZONE)!, ZONE)).toBe(toLocalField(time, ZONE));
        });
      }),
    );
  });
});
