import { CLIMATES, simulatedWeather, type ClimateWord, type Span, type WeatherPlace } from '@knapsack/core';
import { WEATHER_SCHEMA, WEATHER_VERSION, type WeatherDocument } from '../documents/weather.js';

/** What the simulated weather service answers for a place, a stretch of time and a climate. */
export function simulatedDocument(place: WeatherPlace, span: Span, climate: ClimateWord): WeatherDocument {
  return {
    schema: WEATHER_SCHEMA,
    version: WEATHER_VERSION,
    name: 'simulated weather',
    source: 'simulated',
    climate,
    air: CLIMATES[climate].air,
    hours: simulatedWeather(place, span, climate).map(({ startMs, cloud, rain, airC, windMS, air }) => ({
      start: new Date(startMs).toISOString(),
      cloud,
      ...(rain && { rain }),
      ...(airC !== undefined && { temperatureC: airC }),
      ...(windMS !== undefined && { windMS }),
      ...(air && { air }),
    })),
  };
}
