import type { Trip } from '../documents/trip.js';
import { trip } from '../testing/documents.js';
import { outlookOf } from './sky-of.js';

const weather = (change: Partial<NonNullable<Trip['weather']>>): Trip =>
  trip({ weather: { air: 'clean', cloud: 0.55, windMS: 3, climate: 'maritime', ...change } });
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

  it('lets a usual sky of one’s own go before the climate’s', () => {
    expect(outlookOf(weather({ cloud: 1 })).climate).toBeUndefined();
    expect(outlookOf(trip()).climate).toBeUndefined();
    // What the climate itself puts there is no word of one's own: autumn, 1 3 3 3 of ten days.
    expect(outlookOf(weather({ cloud: 0.656 })).climate).toBe('maritime');
  });
});
