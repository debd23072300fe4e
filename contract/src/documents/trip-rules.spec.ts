import { rill } from '../testing/kit.js';
import { hour, trip } from '../testing/outing.js';
import { tripProblems } from './trip-rules.js';
import type { Trip } from './trip.js';

describe('what a trip must keep to beyond its fields', () => {
  const iso = (at: number) => new Date(hour(at)).toISOString();
  const codes = (change: Partial<Trip>) =>
    tripProblems(trip(change)).map(({ code, pointer }) => `${code} ${pointer}`);

  it('is kept by the sample', () => expect(codes({})).toEqual([]));

  it('nothing is in the bag twice: it has a count', () => {
    const loadout = ['a', 'b', 'a'].map((gear) => ({ gear, count: 1 }));
    expect(codes({ loadout })).toEqual(['twice /loadout/2/gear']);
    expect(codes({ loadout: loadout.slice(0, 2) })).toEqual([]);
  });

  it('strings of panels come out even', () => {
    const strings = (count: number, inSeries: number) =>
      codes({ loadout: [{ gear: rill.id, count, inSeries }] });
    expect(strings(5, 2)).toEqual(['series /loadout/0/inSeries']);
    expect(strings(6, 2)).toEqual([]);
    expect(strings(6, 3)).toEqual([]);
  });

  it('hours of an accessory ascend and end after they begin', () => {
    const hours = (...spans: readonly (readonly [number, number])[]) =>
      codes({
        loadout: [
          {
            gear: 'lamp',
            count: 1,
            rule: {
              when: 'hours',
              hours: spans.map(([start, end]) => ({ start: iso(start), end: iso(end) })),
            },
          },
        ],
      });
    expect(hours([8, 9], [10, 11])).toEqual([]);
    expect(hours([9, 8])[0]).toMatch(/^own-hours \/loadout\/0\/rule\/hours\/0/);
    expect(hours([8, 10], [9, 11])[0]).toMatch(/^own-hours \/loadout\/0\/rule\/hours\/1/);
  });
});
