import { CLIMATE_WORDS, seasonAt, usualSky, type ClimateWord } from '@knapsack/core';
import { GEAR_SCHEMA, GEAR_VERSION } from './gear.js';
import { TRIP_SCHEMA, TRIP_VERSION } from './trip.js';

type Data = Readonly<Record<string, unknown>>;
type Step = (data: Data) => Data;

/**
 * What brings a document from one version to the next, by schema; the first entry leads from version 1 to 2.
 * Versions 2 to 4 of gear and 2 to 4 of trip only add fields that may be absent, so there is nothing to change but the
 * number. Version 5 of trip has no usual cloud but the user's own word.
 */
const STEPS: Readonly<Record<string, readonly Step[]>> = {
  [GEAR_SCHEMA]: [(gear) => gear, (gear) => gear, (gear) => gear],
  [TRIP_SCHEMA]: [(trip) => trip, (trip) => trip, (trip) => trip, cloudByTheClimate],
};

const NEWEST: Readonly<Record<string, number>> = { [GEAR_SCHEMA]: GEAR_VERSION, [TRIP_SCHEMA]: TRIP_VERSION };

/** A document of an earlier version as this one writes it, with the gear that travels in it; anything else as it is. */
export function upToDate(data: unknown): unknown {
  if (!isData(data)) return data;
  const { schema, version } = data;
  const own = Array.isArray(data['gear']) ? { gear: (data['gear'] as unknown[]).map(upToDate) } : {};
  if (typeof schema !== 'string' || !Number.isInteger(version)) return data;
  const newest = NEWEST[schema];
  if (newest === undefined || (version as number) < 1 || (version as number) >= newest) {
    return { ...data, ...own };
  }
  let migrated: Data = { ...data, ...own };
  for (const step of STEPS[schema].slice((version as number) - 1)) migrated = step(migrated);
  return { ...migrated, version: newest };
}

const isData = (data: unknown): data is Data =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

/**
 * Before version 5 a trip's weather always had a usual cloud: 0 until anybody had said anything, then what the climate chosen
 * usually has in that season, in whole per cent. Neither was the user's word; any other amount was.
 */
function cloudByTheClimate(trip: Data): Data {
  const { weather, place, start } = trip;
  if (!isData(weather)) return trip;
  const { cloud, ...rest } = weather;
  return cloud === 0 || cloud === oldUsualCloud(weather['climate'], place, start)
    ? { ...trip, weather: rest }
    : trip;
}

/** What version 4 stored with a climate; null where the document does not say enough. */
function oldUsualCloud(climate: unknown, place: unknown, start: unknown): number | null {
  if (!(CLIMATE_WORDS as readonly unknown[]).includes(climate) || !isData(place)) return null;
  const { latitudeDeg = 45 } = place;
  const startMs = Date.parse(String(start));
  if (typeof latitudeDeg !== 'number' || Number.isNaN(startMs)) return null;
  const { cloud } = usualSky(climate as ClimateWord, seasonAt(startMs, latitudeDeg), 0);
  return Math.round(cloud * 100) / 100;
}
