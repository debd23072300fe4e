import { sameClock } from '@knapsack/core';
import { simulatedDocument } from '../weather/simulated-document.js';
import { takeWeather, withSomeWeather } from '../weather/take-weather.js';
import { atOtherTimes } from './outing-hours.js';
import type { Site, Trip } from './trip.js';

/**
 * Puts an outing somewhere else. Its hours stay the hours that were typed, told in the zone of the new place: of the outing, the
 * blocks, accessories, shade, the turns of the panel and a sky that was painted by hand. A forecast keeps its instants; simulated
 * weather is made anew for the new place. Where nothing was known of the sky it begins with the season's usual weather.
 */
export function setSite(trip: Trip, site: Site): Trip {
  const [from, to] = [trip.place.timeZone, site.timeZone];
  const moved: Trip = {
    ...atOtherTimes(trip, (time) => new Date(sameClock(Date.parse(time), from, to)).toISOString()),
    place: site,
  };
  const { weather } = moved;
  const { latitudeDeg, longitudeDeg, heightM = 0 } = site;
  if (latitudeDeg === undefined || longitudeDeg === undefined) return moved;
  if (weather?.source !== 'simulated' || !weather.climate) return withSomeWeather(moved);
  const span = { startMs: Date.parse(moved.start), endMs: Date.parse(moved.end) };
  const made = simulatedDocument({ latitudeDeg, longitudeDeg, heightM }, span, weather.climate);
  return { ...moved, weather: takeWeather(made, moved).weather };
}
