import type { Trip } from '../documents/trip.js';
import { trip } from '../testing/documents.js';
import { knowsSky, outlookOf, usualCloud } from './sky-of.js';

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

  it('lets the user’s own word on the cloud go before the climate, however near the two are', () => {
    expect(outlookOf(weather({ cloud: 0.656 })).isForecast(noon)).toBeTrue();
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
