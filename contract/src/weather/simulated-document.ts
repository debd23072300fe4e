import { CLIMATES, simulatedWeather, type ClimateWord, type Span, type WeatherSite } from '@knapsack/core';
import { WEATHER_SCHEMA, WEATHER_VERSION, type WeatherDocument } from '../documents/weather.js';

/** What the simulated weather service answers for a place, a stretch of time and a climate. */
export function simulatedDocument(site: WeatherSite, span: Span, climate: ClimateWord): WeatherDocument {
  return {
    schema: WEATHER_SCHEMA,
    version: WEATHER_VERSION,
    name: 'simulated weather',
    source: 'simulated',
    climate,
    air: CLIMATES[climate].air,
    hours: simulatedWeather(site, span, climate).map(({ startMs, cloud, rain, airC, windMS, air }) => ({
      start: new Date(startMs).toISOString(),
      cloud,
      ...(rain && { rain }),
      ...(airC !== undefined && { temperatureC: airC }),
      ...(windMS !== undefined && { windMS }),
      ...(air && { air }),
    })),
  };
}
