import type { Site } from '@knapsack/contract';
import { HOUR_MS } from '@knapsack/core';
import { hour } from '@knapsack/contract/testing/outing';
import { skyView } from './sky-view';

describe('the sky to be drawn', () => {
  const place = { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5.3 };
  const hours = [
    { start: new Date(hour(4)).toISOString(), cloud: 1 },
    { start: new Date(hour(8)).toISOString(), cloud: 0.1, rain: true },
  ];
  const weather = { air: 'clean', cloud: 0.3, windMS: 2, hours } as const;
  const on = (of: Site) => ({ place: of, weather, start: new Date(hour(0)).toISOString(), temperatureC: 0 });
  const outing = { startMs: hour(0), endMs: hour(24) };

  it('has the sun highest around local noon and down in the night', () => {
    const { timesMs, sunAltitudeDeg } = skyView(on(place), outing)!;
    const top = timesMs[sunAltitudeDeg.indexOf(Math.max(...sunAltitudeDeg))];
    // 5.3 degrees east: noon 21 minutes before 12 UTC, less the equation of time
    expect(Math.abs(top - hour(11.63))).toBeLessThan(HOUR_MS / 4);
    expect(sunAltitudeDeg[0]).toBeLessThan(-10);
  });

  it('has the hours’ clouds, rain as a closed sky, else the usual', () => {
    const { timesMs, cloud } = skyView(on(place), outing)!;
    const at = (of: number) => cloud[timesMs.indexOf(hour(of))];
    expect([3, 5, 8, 12].map(at)).toEqual([0.3, 1, 1, 0.3]);
  });

  it('is none without a place, and never too fine to draw', () => {
    expect(skyView(on({ name: 'somewhere', timeZone: 'UTC' }), outing)).toBeNull();
    const month = skyView(on(place), { startMs: hour(0), endMs: hour(30 * 24) })!;
    expect(month.timesMs.length).toBeLessThanOrEqual(721);
    expect(month.timesMs.at(-1)).toBe(hour(30 * 24));
  });
});
