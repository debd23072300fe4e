import { skyOf } from '../resolve/sky-of.js';
import { hour, trip } from '../testing/outing.js';
import { cloudWord, fogUntil, nextCloud, paintSky, rainFrom } from './weather.js';

describe('painting clouds', () => {
  const cloudsOf = (painted: ReturnType<typeof trip>) => {
    const skyAt = skyOf(painted);
    return [6, 8, 9, 10, 11, 17].map((at) => skyAt(hour(at) + 60_000).cloud);
  };

  it('covers whole hours in either direction and leaves the others as they were', () => {
    const before = trip({
      weather: { air: 'clean', cloud: 0.3, windMS: 2, hours: [{ start: trip().start, cloud: 0.1 }] },
    });
    const expected = [0.1, 0.3, 0.75, 0.75, 0.3, 0.3];
    expect(cloudsOf(paintSky(before, hour(9.2), hour(10.9), { cloud: 0.75 }))).toEqual(expected);
    expect(cloudsOf(paintSky(before, hour(10.9), hour(9.2), { cloud: 0.75 }))).toEqual(expected);
  });

  it('keeps an hour’s temperature and takes its rain away', () => {
    const hours = [{ start: new Date(hour(9)).toISOString(), cloud: 1, rain: true, temperatureC: 7 }];
    const before = trip({ weather: { air: 'clean', cloud: 0.3, windMS: 2, hours } });
    const painted = paintSky(before, hour(9), hour(9.5), { cloud: 0.2 }).weather!.hours!.find(
      ({ temperatureC }) => temperatureC === 7,
    );
    expect(painted).toEqual({ start: new Date(hour(9)).toISOString(), cloud: 0.2, temperatureC: 7 });
  });

  it('has fog until an hour and rain from one, in one stroke', () => {
    const both = rainFrom(fogUntil(trip(), hour(10)), hour(16));
    const told = both.weather!.hours!.map(({ cloud, fog, rain }) => (fog ? 'fog' : rain ? 'rain' : cloud));
    // From 6 o'clock, the outing's start; to 18, its end
    expect(told).toEqual(['fog', 'fog', 'fog', 'fog', 0, 0, 0, 0, 0, 0, 'rain', 'rain']);
    // On the second day fog begins at its midnight, 22 UTC in Oslo's summer.
    const next = fogUntil(trip({ end: new Date(hour(48)).toISOString() }), hour(24));
    const foggy = next.weather!.hours!.filter(({ fog }) => fog);
    expect(foggy.map(({ start }) => Date.parse(start))).toEqual([hour(22), hour(23)]);
    expect(fogUntil(trip(), hour(5))).toEqual(trip());
  });

  it('goes through the words and round again', () => {
    expect(nextCloud(0)).toBe(0.2);
    expect(nextCloud(0.5)).toBe(0.75);
    expect(nextCloud(1)).toBe(0);
    expect(cloudWord(0.4)).toBe('scattered');
  });
});
