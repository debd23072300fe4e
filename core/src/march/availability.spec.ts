import { availabilityOf } from './availability.js';

const read = (wanted: readonly number[], up: readonly number[], hours = wanted.map(() => 0.25)) =>
  availabilityOf(Float64Array.from(hours), Uint8Array.from(wanted), Float64Array.from(up));

describe('availability', () => {
  it('is the share of the wanted hours that it was up; the rest counts for nothing', () => {
    expect(read([1, 1, 0, 1, 1], [0.25, 0.1, 0, 0, 0.25])).toEqual({
      share: 0.6,
      wantedHours: 1,
      // 0.15 h down, then the quarter of an hour in which nothing is wanted, then another 0.25 h.
      outages: 1,
      longestH: 0.65,
      firstH: 0.35,
    });
  });

  it('counts outages less than half an hour apart as one, and the clock runs on between them', () => {
    const apart = (quarters: number) => {
      const up = [0, ...Array<number>(quarters).fill(0.25), 0];
      const { outages, longestH } = read(
        up.map(() => 1),
        up,
      );
      return { outages, longestH };
    };
    expect(apart(1)).toEqual({ outages: 1, longestH: 0.75 });
    expect(apart(2)).toEqual({ outages: 2, longestH: 0.25 });
  });

  it('is all where nothing is wanted, and none where it never comes up', () => {
    expect(read([0, 0], [0, 0])).toEqual({ share: 1, wantedHours: 0, outages: 0, longestH: 0, firstH: null });
    expect(read([1, 1], [0, 0])).toEqual({
      share: 0,
      wantedHours: 0.5,
      outages: 1,
      longestH: 0.5,
      firstH: 0,
    });
  });
});
