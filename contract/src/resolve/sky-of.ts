import {
  AIR_WORDS,
  climateAt,
  HOUR_MS,
  seasonAt,
  USUAL_CLIMATE,
  usualSky,
  type ClimateWord,
  type Outlook,
  type SkyNow,
} from '@knapsack/core';
import { USUAL_WEATHER } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';

type UnderSky = Pick<Trip, 'weather' | 'place' | 'start' | 'temperatureC'>;

/** Whether anything is known of the sky: hours of weather, or at least a climate. */
export const knowsSky = ({ weather }: Pick<Trip, 'weather'>): boolean =>
  weather?.climate !== undefined || (weather?.hours ?? []).length > 0;

/** The climate of a trip: the one that was chosen, else what its latitude suggests. */
export const climateOf = ({
  weather,
  place: { latitudeDeg },
}: Pick<Trip, 'weather' | 'place'>): ClimateWord =>
  weather?.climate ?? (latitudeDeg === undefined ? USUAL_CLIMATE : climateAt(latitudeDeg));

/** The usual sky of each month for the trip's climate. */
export function usualSkyOf(trip: Trip): (month: number) => SkyNow {
  const { place, start } = trip;
  const climate = climateOf(trip);
  const { latitudeDeg = 45, heightM = 0 } = place;
  const year = new Date(start).getUTCFullYear();
  return (month) => ({
    ...usualSky(climate, seasonAt(Date.UTC(year, month - 1, 15), latitudeDeg), heightM),
    rain: false,
  });
}

/** Cloud amount where no hour is known, 0 to 1: the user's own word, else what the climate has in that season; clear without either. */
export function usualCloud({
  weather = USUAL_WEATHER,
  place,
  start,
}: Omit<UnderSky, 'temperatureC'>): number {
  const { cloud, climate } = weather;
  const { latitudeDeg = 45, heightM = 0 } = place;
  if (cloud !== undefined) return cloud;
  return climate ? usualSky(climate, seasonAt(Date.parse(start), latitudeDeg), heightM).cloud : 0;
}

/** The sky of a trip at an instant: the hour that is known, else what it usually is. */
export function skyOf(trip: UnderSky): (timeMs: number) => SkyNow {
  const { windMS, hours = [] } = trip.weather ?? USUAL_WEATHER;
  const airC = trip.temperatureC;
  const starts = hours.map((hour) => Date.parse(hour.start));
  const skies = hours.map((hour): SkyNow => ({
    cloud: hour.cloud,
    rain: hour.rain ?? false,
    ...(hour.fog && { fog: true }),
    airC: hour.temperatureC ?? airC,
    windMS: hour.windMS ?? windMS,
    ...(hour.air && { turbidity: AIR_WORDS[hour.air].turbidity }),
  }));
  const usual: SkyNow = { cloud: usualCloud(trip), rain: false, airC, windMS };
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

/**
 * How well the sky of a trip is known: the hours that were entered or imported, and the climate for all others, its days shifted to
 * the cloud that the user expects. The built-in weather is no forecast, but one of many that the climate could bring.
 */
export function outlookOf({ weather = USUAL_WEATHER }: Trip): Outlook {
  const { climate, hours = [], source, cloud } = weather;
  const starts = hours.map((hour) => Date.parse(hour.start));
  const [first = Infinity] = starts;
  const lastEnd = (starts.at(-1) ?? 0) + HOUR_MS;
  return {
    ...(climate && { climate }),
    ...(cloud !== undefined && { meanCloud: cloud }),
    isForecast: (timeMs) => timeMs >= first && timeMs < lastEnd && source !== 'simulated',
  };
}
