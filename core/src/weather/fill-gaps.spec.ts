import { HOUR_MS } from '../span.js';
import { fillGaps } from './fill-gaps.js';

const usual = () => ({ cloud: 0.5, airC: 10, windMS: 3 });
const known = (...hours: readonly number[]) =>
  hours.map((hour) => ({ startMs: hour * HOUR_MS, cloud: 0.1, rain: false }));
const outing = { startMs: 10 * HOUR_MS, endMs: 16 * HOUR_MS };
const told = (hours: readonly number[]) => {
  const filled = fillGaps(known(...hours), outing, usual);
  return {
    hours: filled.hours.map(({ startMs, cloud }) => [startMs / HOUR_MS, cloud]),
    gaps: filled.gaps.map(({ startMs, endMs }) => [startMs / HOUR_MS, endMs / HOUR_MS]),
  };
};

describe('gaps in a forecast', () => {
  it('are none where every hour is known, and what lies outside is cut', () => {
    expect(told([8, 9, 10, 11, 12, 13, 14, 15, 16, 17])).toEqual({
      hours: [10, 11, 12, 13, 14, 15].map((hour) => [hour, 0.1]),
      gaps: [],
    });
  });

  it('are none in a forecast of three hours’ steps', () => {
    expect(told([6, 9, 12, 15]).gaps).toEqual([]);
    expect(told([6, 9, 12, 15]).hours).toEqual([
      [9, 0.1],
      [12, 0.1],
      [15, 0.1],
    ]);
  });

  it('are filled with what is usual, before, between and after', () => {
    expect(told([11, 12, 13, 15])).toEqual({
      hours: [
        [10, 0.5],
        [11, 0.1],
        [12, 0.1],
        [13, 0.1],
        [14, 0.5],
        [15, 0.1],
      ],
      gaps: [
        [10, 11],
        [14, 15],
      ],
    });
    expect(told([10, 11, 12]).gaps).toEqual([[13, 16]]);
  });

  it('are the whole outing where nothing is known', () => {
    expect(told([]).gaps).toEqual([[10, 16]]);
    expect(told([40, 41]).gaps).toEqual([[10, 16]]);
    expect(told([]).hours.length).toBe(6);
  });
});
