import { expandBlocks, type Trip } from '@knapsack/contract';
import { inHabits, METRIC } from '@knapsack/core';
import { paintSky, repeatBlock, resizeBlock } from '@knapsack/contract/edits';
import { hour, trip } from '@knapsack/contract/testing/outing';
import type { ForecastView } from '../../work/forecast-protocol';
import { hourRows } from './hour-rows';

describe('the hours as a table', () => {
  const base: Trip = { ...trip(), place: { ...trip().place, timeZone: 'UTC' } };
  const all = { startMs: hour(0), endMs: hour(24) };
  const rows = (of: Trip, view: ForecastView | null = null, positions = 1) =>
    hourRows(of, expandBlocks(of), view, positions, all);

  it('has a row for each hour of the outing, with what is worked in it', () => {
    const table = rows(base);
    expect(table.map((row) => row.hour)).toEqual(
      Array.from({ length: 12 }, (_, at) => `${String(6 + at).padStart(2, '0')}:00`),
    );
    expect(table.map(({ work: [{ words }] }) => words).slice(1, 5)).toEqual([
      'off',
      'CW 10 W',
      'CW 10 W',
      'off',
    ]);
  });

  it('leaves the minutes of a whole hour out where the clock has AM and PM', () => {
    const odd = { ...base, start: new Date(hour(6.5)).toISOString() };
    const told = inHabits({ ...METRIC, clock: 12 }, () =>
      rows(odd).map((row) => row.hour.replace(/\s/, ' ')),
    );
    expect(told.slice(0, 2)).toEqual(['6:30 AM', '7 AM']);
  });

  it('tells how much of an hour is worked, and what is done again', () => {
    const short = resizeBlock(base, 'one', 'end', hour(9.25));
    expect(rows(short)[3].work[0].words).toBe('CW 10 W, 15 min');
    expect(rows(repeatBlock(base, 'one', 'day'))[2].work[0].repeated).toBeTrue();
    expect(rows(base)[2].work[0].repeated).toBeFalse();
  });

  it('cuts the first and the last hour where the outing begins and ends', () => {
    const odd = {
      ...base,
      start: new Date(hour(6.5)).toISOString(),
      end: new Date(hour(17.75)).toISOString(),
    };
    const table = rows(odd);
    expect(table[0]).toEqual(
      jasmine.objectContaining({ hour: '06:30', span: { startMs: hour(6.5), endMs: hour(7) } }),
    );
    expect(table.at(-1)?.span).toEqual({ startMs: hour(17), endMs: hour(17.75) });
  });

  it('says the sky of each hour', () => {
    const painted = paintSky(paintSky(base, hour(7), hour(7), { cloud: 1, fog: true }), hour(8), hour(8), {
      cloud: 1,
      rain: true,
    });
    expect(
      rows(paintSky(painted, hour(9), hour(9), { cloud: 0 }))
        .map(({ sky }) => sky)
        .slice(1, 4),
    ).toEqual(['fog', 'rain', 'clear']);
  });

  it('tells the charge at the end of each hour', () => {
    const view = {
      edgesMs: Float64Array.of(hour(6), hour(18)),
      soc: Float64Array.of(1, 0.4),
    } as unknown as ForecastView;
    const table = rows(base, view);
    expect(table[0].soc).toBeCloseTo(0.95, 9);
    expect(table[11].soc).toBeCloseTo(0.4, 9);
  });

  it('has a column for each operating position', () => {
    expect(rows(base, null, 2)[2].work.map(({ words }) => words)).toEqual(['CW 10 W', 'off']);
  });
});
