import { fixed, sayDuration, sayQuantity } from './quantity.js';
import { fromLocalField, isZone, localHours, nextWeekday, sayTime, toLocalField } from './time.js';

describe('saying quantities', () => {
  it('writes small currents to the milliamp and large ones to a tenth', () => {
    expect(sayQuantity({ value: 0.035, unit: 'A' })).toBe('0.035 A');
    expect(sayQuantity({ value: 1.9, unit: 'A' })).toBe('1.90 A');
    expect(sayQuantity({ value: 20.44, unit: 'A' })).toBe('20.4 A');
  });

  it('writes each unit with as many digits as tell something', () => {
    const said = (value: number, ...units: Parameters<typeof sayQuantity>[0]['unit'][]) =>
      units.map((unit) => sayQuantity({ value, unit }));
    expect(said(9.996, 'Ah', 'Ah at socket', 'Wh', 'W')).toEqual([
      '10.00 Ah',
      '10.00 Ah at the socket',
      '10.0 Wh',
      '10.0 W',
    ]);
    expect(said(10, 'A', 'Ah', 'Wh', 'W')).toEqual(['10.0 A', '10.0 Ah', '10 Wh', '10 W']);
    expect(said(0.1, 'A')).toEqual(['0.10 A']);
    expect(said(0, 'A')).toEqual(['0.00 A']);
    expect(said(-12.5, 'h', 'V', 'C')).toEqual(['−12.50 h', '−12.50 V', '−13 °C']);
    expect(said(0.0171, 'ohm', 'share', 'factor')).toEqual(['17.1 mΩ', '2 %', '0.02']);
    expect(sayQuantity({ value: 0.0171, unit: 'share', digits: 1 })).toBe('1.7 %');
    expect(said(2600, 'g')).toEqual(['2.60 kg']);
    expect(said(4.5, 'duration')).toEqual(['4 h 30']);
  });

  it('writes durations to the minute without ever showing 60 minutes', () => {
    expect(sayDuration(0.9999)).toBe('1 h 00');
    expect(sayDuration(4 + 1 / 3)).toBe('4 h 20');
    expect(sayDuration(75.999)).toBe('3 d 4 h');
    expect(sayDuration(Infinity)).toBe('without end');
  });

  it('uses a real minus sign, and none before a zero', () => {
    expect(fixed(-1.26, 1)).toBe('−1.3');
    expect(fixed(-0.01, 1)).toBe('0.0');
  });
});

describe('saying times', () => {
  const zone = 'Europe/Oslo';

  it('tells an instant in the zone of the place', () => {
    expect(sayTime(Date.UTC(2027, 8, 4, 16, 40), zone)).toBe('Sat 18:40');
    expect(toLocalField(Date.UTC(2027, 8, 4, 16, 40), zone)).toBe('2027-09-04T18:40');
  });

  it('reads a local time back to the same instant on both sides of a change of clocks', () => {
    for (const instant of [Date.UTC(2027, 2, 27, 12), Date.UTC(2027, 2, 29, 12), Date.UTC(2027, 9, 31, 12)]) {
      expect(fromLocalField(toLocalField(instant, zone), zone)).toBe(instant);
    }
    expect(fromLocalField('not a time', zone)).toBeNull();
  });

  it('marks local hours, also over the night that is an hour longer', () => {
    const start = Date.UTC(2027, 9, 30, 20);
    const marks = localHours(start, start + 12 * 3_600_000, 6, zone);
    expect(marks.map((mark) => sayTime(mark, zone))).toEqual(['Sun 00:00', 'Sun 06:00']);
    expect(marks[1] - marks[0]).toBe(7 * 3_600_000);
  });

  it('finds the next Saturday, also from within one', () => {
    const said = (from: number) => {
      const next = nextWeekday(from, 6, 12, zone);
      return [sayTime(next, zone), Math.round((next - from) / 3_600_000)];
    };
    // Thursday noon UTC is 14:00 in Oslo's summer: 46 hours to Saturday noon
    expect(said(Date.UTC(2027, 8, 2, 12))).toEqual(['Sat 12:00', 46]);
    expect(said(Date.UTC(2027, 8, 4, 12))).toEqual(['Sat 12:00', 7 * 24 - 2]);
    expect(said(Date.UTC(2027, 8, 4, 9))).toEqual(['Sat 12:00', 1]);
  });

  it('marks quarters of an hour, and whole days from their midnight', () => {
    const start = Date.UTC(2027, 8, 4, 10, 5);
    const quarters = localHours(start, start + 3_600_000, 0.25, zone).map((mark) => sayTime(mark, zone));
    expect(quarters).toEqual(['Sat 12:15', 'Sat 12:30', 'Sat 12:45', 'Sat 13:00']);
    const days = localHours(start, start + 5 * 86_400_000, 48, zone).map((mark) => sayTime(mark, zone));
    expect(days).toEqual(['Sun 00:00', 'Tue 00:00', 'Thu 00:00']);
  });

  it('knows a time zone from a made-up one', () => {
    expect(isZone('Europe/Oslo')).toBeTrue();
    expect(isZone('Gannet/Rock')).toBeFalse();
  });
});
