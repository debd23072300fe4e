import { sayDuration, sayQuantity } from './quantity.js';
import {
  isSteadyClock,
  localHour,
  localHours,
  midnightAfter,
  midnightBefore,
  nextWeekday,
  sameClock,
  sameHourNextDay,
  toLocalField,
} from './time.js';

const OSLO = 'Europe/Oslo';
/** Saturday 4 September 2027, 16:30 in Oslo. */
const SATURDAY = Date.UTC(2027, 8, 4, 14, 30);
const HOUR = 3_600_000;
/** In 2027 Oslo's clocks go back on 31 October at 03:00, and forward on 28 March at 02:00. */
const BACK = Date.UTC(2027, 9, 31, 1);

describe('clocks', () => {
  it('show the same hour in another zone', () => {
    expect(toLocalField(sameClock(SATURDAY, OSLO, 'America/New_York'), 'America/New_York')).toBe(
      '2027-09-04T16:30',
    );
    expect(sameClock(SATURDAY, OSLO, 'America/New_York') - SATURDAY).toBe(6 * HOUR);
  });

  it('show the same hour on the next day, 23, 24 or 25 hours later', () => {
    expect(sameHourNextDay(SATURDAY, OSLO) - SATURDAY).toBe(24 * HOUR);
    expect(sameHourNextDay(BACK - 20 * HOUR, OSLO) - (BACK - 20 * HOUR)).toBe(25 * HOUR);
    expect(sameHourNextDay(Date.UTC(2027, 2, 27, 12), OSLO) - Date.UTC(2027, 2, 27, 12)).toBe(23 * HOUR);
  });

  it('are steady where no daylight saving begins or ends', () => {
    expect(isSteadyClock(SATURDAY, SATURDAY + 30 * HOUR, OSLO)).toBeTrue();
    expect(isSteadyClock(BACK - 30 * HOUR, BACK + HOUR, OSLO)).toBeFalse();
    expect(isSteadyClock(BACK + HOUR, BACK + 60 * HOUR, OSLO)).toBeTrue();
    // A summer between two winters: the clock is the same at both ends.
    expect(isSteadyClock(Date.UTC(2027, 0, 1), Date.UTC(2027, 11, 1), OSLO)).toBeFalse();
    expect(isSteadyClock(Date.UTC(2027, 0, 1), Date.UTC(2027, 11, 1), 'Etc/UTC')).toBeTrue();
  });

  it('mark the same hours where a day has 24 hours and where one has not: those that a look at each five minutes finds', () => {
    const FIVE_MINUTES = HOUR / 12;
    for (const zone of [OSLO, 'Asia/Kolkata', 'Australia/Lord_Howe', 'America/New_York'])
      for (const startMs of [SATURDAY, SATURDAY + FIVE_MINUTES, BACK - 30 * HOUR, Date.UTC(2027, 2, 27, 3)])
        for (const every of [0.25, 1, 3, 6, 24]) {
          const endMs = startMs + 2.5 * 24 * HOUR;
          const looked: number[] = [];
          for (let at = startMs; at <= endMs; at += FIVE_MINUTES)
            if ((localHour(at, zone) * 60) % (every * 60) === 0) looked.push(at);
          expect(localHours(startMs, endMs, every, zone)).toEqual(looked);
        }
  });

  it('tell the hour of the day with its minutes, and midnight', () => {
    expect(localHour(SATURDAY, OSLO)).toBe(16.5);
    expect(toLocalField(midnightBefore(SATURDAY, OSLO), OSLO)).toBe('2027-09-04T00:00');
    expect(toLocalField(midnightAfter(SATURDAY, OSLO), OSLO)).toBe('2027-09-05T00:00');
    // The night of the change has 25 hours.
    const change = Date.UTC(2027, 9, 31, 10);
    expect((midnightAfter(change, OSLO) - midnightBefore(change, OSLO)) / 3_600_000).toBe(25);
  });

  it('come to a day of the week after an instant, a week later where it is that instant', () => {
    const at = (weekday: number, hour: number, from = SATURDAY) =>
      toLocalField(nextWeekday(from, weekday, hour, OSLO), OSLO);
    expect(at(6, 17)).toBe('2027-09-04T17:00');
    expect(at(6, 16)).toBe('2027-09-11T16:00');
    expect(at(7, 9)).toBe('2027-09-05T09:00');
    expect(at(5, 9)).toBe('2027-09-10T09:00');
    expect(at(6, 16, Date.UTC(2027, 8, 4, 14))).toBe('2027-09-11T16:00');
  });

  it('mark whole multiples of hours, days from midnight, both ends included', () => {
    const marks = (from: number, hours: number, every: number) =>
      localHours(from, from + hours * HOUR, every, OSLO).map((ms) => toLocalField(ms, OSLO).slice(8));
    expect(marks(SATURDAY - HOUR / 2, 6, 3)).toEqual(['04T18:00', '04T21:00']);
    expect(marks(SATURDAY - HOUR / 2, 2, 1)).toEqual(['04T16:00', '04T17:00', '04T18:00']);
    expect(marks(SATURDAY, 1, 0.5)).toEqual(['04T16:30', '04T17:00', '04T17:30']);
    expect(marks(SATURDAY, 48, 24)).toEqual(['05T00:00', '06T00:00']);
  });
});

describe('a duration', () => {
  it('is told in minutes, hours or days, with a true minus', () => {
    expect([0.5, 1, 9.758, 71.99, 72, 100].map(sayDuration)).toEqual([
      '30 min',
      '1 h 00',
      '9 h 45',
      '71 h 59',
      '3 d 0 h',
      '4 d 4 h',
    ]);
    expect(sayDuration(-0.5)).toBe('−30 min');
    expect(sayDuration(-6.25)).toBe('−6 h 15');
    expect(sayDuration(-0.001)).toBe('0 min');
    expect(sayDuration(Infinity)).toBe('without end');
  });

  it('and an amount keep as many digits as they are good for', () => {
    const say = (value: number, unit: Parameters<typeof sayQuantity>[0]['unit']) =>
      sayQuantity({ value, unit });
    expect([9.994, 10, -9.99, -10].map((value) => say(value, 'Ah'))).toEqual([
      '9.99 Ah',
      '10.0 Ah',
      '−9.99 Ah',
      '−10.0 Ah',
    ]);
  });
});
