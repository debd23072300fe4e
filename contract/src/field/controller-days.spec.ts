import { playInstruments, type PlayedLine } from '@knapsack/core';
import { resolve } from '../resolve/resolve.js';
import { hour, shelf, trip } from '../testing/outing.js';
import {
  controllerDaysCsv,
  daysOfLines,
  entriesOfDays,
  isControllerDays,
  readControllerDays,
  type ControllerDay,
} from './controller-days.js';

const OSLO = 'Europe/Oslo';
const line = (of: number, inAh: number, watts = 10, volts = 13): PlayedLine => ({
  timeMs: hour(of),
  line: `C ${of * 3_600_000} 10.00 ${(watts / 10).toFixed(2)} ${volts.toFixed(2)} 0.80 ${inAh.toFixed(2)} 22 bulk`,
});
const DAYS: readonly ControllerDay[] = [
  { day: '2027-09-04', inAh: 5.2, peakW: 31, lowV: 12.9, highV: 14.2 },
  { day: '2027-09-05', inAh: 1.25, peakW: 12, lowV: 13, highV: 13.4 },
];
const problem = (text: string) => {
  const read = readControllerDays(text);
  return read.ok ? '' : read.problems[0].sentence;
};

describe('the days that a charge controller remembers', () => {
  it('are counted by the clock of the place from its lines', () => {
    // 22:00 UTC is midnight in Oslo.
    const days = daysOfLines(
      [line(10, 2, 30), line(21.9, 5, 10, 12.5), line(22.1, 5.5), line(30, 7, 20, 14)],
      OSLO,
    );
    expect(days).toEqual([
      { day: '2027-09-04', inAh: 5, peakW: 30, lowV: 12.5, highV: 13 },
      { day: '2027-09-05', inAh: 2, peakW: 20, lowV: 13, highV: 14 },
    ]);
    const month = Array.from({ length: 40 }, (_, day) => line(24 * day + 10, day));
    expect(daysOfLines(month, OSLO).length).toBe(30);
    const { value } = resolve(trip(), shelf) as { value: Parameters<typeof playInstruments>[0] };
    expect(daysOfLines(playInstruments(value, 1).lines, OSLO)).toEqual([]);
  });

  it('are read as they were written, by a comma or a semicolon', () => {
    const csv = controllerDaysCsv(DAYS);
    expect(isControllerDays(csv)).toBeTrue();
    expect(isControllerDays('B 60000 13.12 -0.84 87 -2.31 640')).toBeFalse();
    expect(readControllerDays(csv)).toEqual({ ok: true, value: DAYS });
    expect(readControllerDays(`\uFEFF${csv.replaceAll(',', ';').replaceAll('.', ',')}`)).toEqual({
      ok: true,
      value: DAYS,
    });
  });

  it('are refused with a sentence that names the row', () => {
    const head = 'day,Ah in,peak W,lowest V,highest V\n';
    expect(problem(head)).toContain('no day in this file');
    expect(problem(`${head}2027-09-04,5,31,12.9,14.2\nyesterday,5,31,12.9,14.2`)).toContain('Row 3');
    expect(problem(`${head}2027-09-04,-5,31,12.9,14.2`)).toContain('Row 2');
    expect(problem(`${head}2027-09-04,5`)).toContain('Row 2');
    expect(problem(head + '2027-09-04,5,31,12.9,14.2\n'.repeat(31))).toContain('remembers 30 days');
    expect(problem(`${head}"2027-09-04,5`)).toContain('does not close');
  });

  it('come to the counters of the outing’s days up to now, each from its midnight', () => {
    const outing = trip({ start: '2027-09-04T08:00:00+02:00', end: '2027-09-06T12:00:00+02:00' });
    const now = Date.parse('2027-09-05T15:00:00+02:00');
    expect(entriesOfDays(DAYS, outing, now)).toEqual([
      {
        id: 'controller-day-2027-09-04-begins',
        at: '2027-09-04T06:00:00.000Z',
        source: 'controller',
        kind: 'reset',
      },
      {
        id: 'controller-day-2027-09-04-520',
        at: '2027-09-04T21:59:00.000Z',
        source: 'controller',
        kind: 'reading',
        inAh: 5.2,
      },
      {
        id: 'controller-day-2027-09-05-begins',
        at: '2027-09-04T22:00:00.000Z',
        source: 'controller',
        kind: 'reset',
      },
      {
        id: 'controller-day-2027-09-05-125',
        at: '2027-09-05T13:00:00.000Z',
        source: 'controller',
        kind: 'reading',
        inAh: 1.25,
      },
    ]);
    expect(entriesOfDays(DAYS.slice(1), outing, now).length).toBe(2);
    expect(entriesOfDays(DAYS, outing, Date.parse(outing.start))).toEqual([]);
  });
});
