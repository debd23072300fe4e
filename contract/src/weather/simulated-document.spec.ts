import { CLIMATES, simulatedWeather } from '@knapsack/core';
import { trip } from '../testing/documents.js';
import { simulatedDocument } from './simulated-document.js';
import { takeWeather } from './take-weather.js';

const site = { latitudeDeg: 59, longitudeDeg: 5.3, heightM: 20 };
const span = { startMs: Date.parse('2027-09-04T08:00:00Z'), endMs: Date.parse('2027-09-07T08:00:00Z') };

describe('the simulated weather as a document', () => {
  it('says of each hour what was simulated, and rain only where it rains', () => {
    const simulated = simulatedWeather(site, span, 'maritime');
    const { hours, air, climate } = simulatedDocument(site, span, 'maritime');
    expect([air, climate]).toEqual([CLIMATES.maritime.air, 'maritime']);
    expect(hours).toHaveSize(72);
    hours.forEach((hour, index) => {
      const { startMs, cloud, rain, airC, windMS } = simulated[index];
      expect(Date.parse(hour.start)).toBe(startMs);
      expect([hour.cloud, hour.rain ?? false]).toEqual([cloud, rain]);
      expect([hour.temperatureC, hour.windMS]).toEqual([airC, windMS]);
      expect('rain' in hour).toBe(rain);
    });
    expect(hours.some(({ rain }) => rain)).toBeTrue();
  });
});

describe('weather that a trip takes', () => {
  const here = trip({ start: '2027-09-04T10:00:00Z', end: '2027-09-04T14:00:00Z' });
  const document = (hours: object[]) =>
    ({
      ...{ schema: 'knapsack.weather', version: 1, name: 'typed', source: 'typed', climate: 'temperate' },
      hours,
    }) as unknown as Parameters<typeof takeWeather>[0];

  it('keeps what an hour says, to a hundredth of cloud and a tenth of a degree', () => {
    const hour = { cloud: 0.333, temperatureC: 11.26, windMS: 4, rain: true, air: 'hazy' };
    const hours = [10, 11, 12, 13].map((at) => ({ start: `2027-09-04T${at}:00:00Z`, ...hour }));
    const { weather, notes } = takeWeather(document(hours), here);
    expect(weather.hours?.[0]).toEqual({
      ...{
        start: '2027-09-04T10:00:00.000Z',
        cloud: 0.33,
        rain: true,
        temperatureC: 11.3,
        windMS: 4,
        air: 'hazy',
      },
    } as never);
    expect(notes).toEqual([]);
  });

  it('leaves out what an hour does not say', () => {
    const hours = [10, 11, 12, 13].map((at) => ({ start: `2027-09-04T${at}:00:00Z`, cloud: 0.5 }));
    const [first] = takeWeather(document(hours), here).weather.hours!;
    expect(first).toEqual({ start: '2027-09-04T10:00:00.000Z', cloud: 0.5 });
  });

  it('tells the first three gaps and counts the others', () => {
    const long = { ...here, end: '2027-09-05T10:00:00Z' };
    const torn = [10, 11, 12, 14, 15, 17, 18, 20, 21, 23].map((at) => ({
      start: `2027-09-04T${at}:00:00Z`,
      cloud: 0.5,
    }));
    const [note] = takeWeather(document(torn), long).notes;
    expect(note).toMatch(
      /^It says nothing of (\w+ \d\d:\d\d to \w+ \d\d:\d\d(, )?){3} and 2 more; filled with what is usual: /,
    );
  });
});
