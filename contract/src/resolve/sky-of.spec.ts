import type { Trip } from '../documents/trip.js';
import { trip } from '../testing/documents.js';
import { knowsSky, outlookOf, skyOf, usualCloud } from './sky-of.js';

const weather = (change: Partial<NonNullable<Trip['weather']>>): Trip =>
  trip({ weather: { air: 'clean', windMS: 3, climate: 'maritime', ...change } });
const noon = Date.parse('2027-09-04T12:00:00Z');

describe('how well a sky is known', () => {
  it('is as forecast in the hours that someone has said, else by the climate', () => {
    const hours = [
      { start: '2027-09-04T11:00:00Z', cloud: 0.5 },
      { start: '2027-09-04T12:00:00Z', cloud: 1 },
    ];
    const outlook = outlookOf(weather({ hours }));
    expect(outlook.climate).toBe('maritime');
    expect(outlook.isForecast(noon)).toBeTrue();
    expect(outlook.isForecast(noon + 2 * 3_600_000)).toBeFalse();
  });

  it('takes made-up weather for nobody’s forecast', () => {
    const hours = [{ start: '2027-09-04T12:00:00Z', cloud: 0.5 }];
    expect(outlookOf(weather({ hours, source: 'simulated' })).isForecast(noon)).toBeFalse();
  });

  it('takes a usual cloud as a shift of the climate, never as a forecast', () => {
    expect(outlookOf(weather({ cloud: 0.656 })).isForecast(noon)).toBeFalse();
    expect(outlookOf(weather({ cloud: 0.656 })).meanCloud).toBe(0.656);
    expect('meanCloud' in outlookOf(weather({}))).toBeFalse();
    expect(usualCloud(weather({ cloud: 0.656 }))).toBe(0.656);
    expect(outlookOf(weather({})).isForecast(noon)).toBeFalse();
    // Autumn on a cool coast, of ten days 1 clear, 3 fair, 3 cloudy, 3 wet: (0.08 + 3 x 0.38 + 3 x 0.82 + 3 x 0.96) / 10.
    expect(usualCloud(weather({}))).toBeCloseTo(0.656, 6);
  });

  it('is not known at all without an hour and without a climate', () => {
    const hours = [{ start: '2027-09-04T12:00:00Z', cloud: 0.5 }];
    expect(knowsSky(trip())).toBeFalse();
    expect(knowsSky(trip({ weather: { air: 'clean', windMS: 3, cloud: 0.2 } }))).toBeFalse();
    expect(knowsSky(trip({ weather: { air: 'clean', windMS: 3, hours } }))).toBeTrue();
    expect(knowsSky(weather({}))).toBeTrue();
  });
});

describe('the sky of a trip at an instant', () => {
  const HOUR_MS = 3_600_000;
  const hours = [0, 1, 2, 5].map((of) => ({
    start: new Date(noon + of * HOUR_MS).toISOString(),
    cloud: of / 10,
    ...(of === 1 && { rain: true, windMS: 9, temperatureC: 4 }),
  }));
  const cloudAt = (sky: (timeMs: number) => { cloud: number }, of: number) => sky(noon + of * HOUR_MS).cloud;

  it('is the hour that is known, in whatever order it is asked for', () => {
    const sky = skyOf(weather({ hours }));
    const asked = [0, 1.5, 2, 1, 0.99, 5.5, 0, 2.5];
    expect(asked.map((of) => cloudAt(sky, of))).toEqual([0, 0.1, 0.2, 0.1, 0, 0.5, 0, 0.2]);
  });

  it('is what it usually is before the first hour and after the last', () => {
    const sky = skyOf(weather({ hours, cloud: 0.77 }));
    expect([-0.01, 6].map((of) => cloudAt(sky, of))).toEqual([0.77, 0.77]);
    expect(cloudAt(sky, 5.99)).toBe(0.5);
    expect(cloudAt(skyOf(weather({ cloud: 0.77 })), 0)).toBe(0.77);
  });

  it('has the trip’s own air and wind where an hour says nothing of them', () => {
    const sky = skyOf({ ...weather({ hours }), temperatureC: 12 });
    expect(sky(noon)).toEqual(jasmine.objectContaining({ airC: 12, windMS: 3, rain: false }));
    expect(sky(noon + HOUR_MS)).toEqual(jasmine.objectContaining({ airC: 4, windMS: 9, rain: true }));
  });
});
