import { HOUR_MS } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import type { WeatherDocument } from '../documents/weather.js';
import { hour, trip } from '../testing/outing.js';
import { withNewerForecast } from './newer-forecast.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const forecastOf = (from: number, count: number, cloud = 1): WeatherDocument => ({
  ...{ schema: 'knapsack.weather', version: 1, source: 'forecast' },
  hours: Array.from({ length: count }, (_, index) => ({ start: at(from + index), cloud })),
});
const sunny = (): Trip =>
  trip({
    weather: {
      air: 'ordinary',
      windMS: 2,
      hours: Array.from({ length: 8 }, (_, index) => ({ start: at(6 + index), cloud: 0.1 })),
    },
  });
const clouds = ({ weather }: Trip) =>
  (weather?.hours ?? []).map(({ start, cloud }) => [Date.parse(start), cloud]);

describe('a newer forecast', () => {
  it('counts from the hour of now on; what was said of the hours before stays', () => {
    const found = withNewerForecast(sunny(), forecastOf(4, 20), hour(9) + HOUR_MS / 2);
    if (!found.ok) throw new Error(found.problems[0].sentence);
    const told = clouds(found.value.trip);
    expect(told.filter(([timeMs]) => timeMs < hour(9)).map(([, cloud]) => cloud)).toEqual([0.1, 0.1, 0.1]);
    expect(told.filter(([timeMs]) => timeMs >= hour(9)).every(([, cloud]) => cloud === 1)).toBeTrue();
    expect(told.map(([timeMs]) => timeMs)).toEqual([...told.map(([timeMs]) => timeMs)].sort((a, b) => a - b));
    expect(found.value.trip.start).toBe(sunny().start);
    expect(found.value.notes).toEqual([]);
  });

  it('says which of the hours ahead it does not know, and nothing of those gone', () => {
    const found = withNewerForecast(sunny(), forecastOf(9, 1), hour(8));
    if (!found.ok) throw new Error(found.problems[0].sentence);
    expect(found.value.notes.length).toBe(1);
    expect(found.value.notes[0]).toContain('It says nothing of');
  });

  it('is refused where it knows nothing of what is left', () => {
    for (const document of [forecastOf(0, 3), forecastOf(200, 5)]) {
      const found = withNewerForecast(sunny(), document, hour(9));
      expect(found.ok ? '' : found.problems[0].sentence).toContain('nothing of the hours that are left');
    }
  });
});
