import { AIR_WORDS, HOUR_MS, seasonAt, usualSky, type Outlook, type SkyNow } from '@knapsack/core';
import { USUAL_WEATHER, type Weather } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';

/** The sky at an instant: the hour that is known, else what it usually is. */
export function skyOf({ cloud, windMS, hours = [] }: Weather, airC: number): (timeMs: number) => SkyNow {
  const starts = hours.map((hour) => Date.parse(hour.start));
  const skies = hours.map((hour): SkyNow => ({
    cloud: hour.cloud,
    rain: hour.rain ?? false,
    ...(hour.fog && { fog: true }),
    airC: hour.temperatureC ?? airC,
    windMS: hour.windMS ?? windMS,
    ...(hour.air && { turbidity: AIR_WORDS[hour.air].turbidity }),
  }));
  const usual: SkyNow = { cloud, rain: false, airC, windMS };
  const lastEnd = (starts.at(-1) ?? 0) + HOUR_MS;
  let near = 0;
  return (timeMs) => {
    if (starts.length === 0 || timeMs < starts[0] || timeMs >= lastEnd) return usual;
    // Asked for in order of time, mostly: the hour is the one of the last time, or the next.
    if (starts[near] > timeMs) near = 0;
    while (near + 1 < starts.length && starts[near + 1] <= timeMs) near++;
    return skies[near];
  };
}

/** A usual sky that is this near to the climate's is the climate's, not one that someone has thought of. */
const ALIKE_CLOUD = 0.05;

/**
 * How well the sky of a trip is known: the hours that someone has forecast or typed, and the climate of the rest. A usual
 * sky of the user's own goes before the climate; the built-in weather is nobody's forecast, but one of many that the climate
 * could bring.
 */
export function outlookOf({ weather = USUAL_WEATHER, place, start }: Trip): Outlook {
  const { climate, hours = [], source, cloud } = weather;
  const { latitudeDeg = 0, heightM = 0 } = place;
  const season = seasonAt(Date.parse(start), latitudeDeg);
  const isOwnWord =
    hours.length === 0 &&
    climate !== undefined &&
    Math.abs(cloud - usualSky(climate, season, heightM).cloud) > ALIKE_CLOUD;
  const starts = hours.map((hour) => Date.parse(hour.start));
  const [first = Infinity] = starts;
  const lastEnd = (starts.at(-1) ?? 0) + HOUR_MS;
  const isKnown = source !== 'simulated';
  return {
    ...(climate && !isOwnWord && { climate }),
    isForecast: (timeMs) => isKnown && timeMs >= first && timeMs < lastEnd,
  };
}
