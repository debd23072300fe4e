import { GEAR_SCHEMA, GEAR_VERSION } from './gear.js';
import { TRIP_SCHEMA, TRIP_VERSION } from './trip.js';

type Data = Readonly<Record<string, unknown>>;
type Step = (data: Data) => Data;

/**
 * What brings a document from one version to the next, by schema; the first entry leads from version 1 to 2.
 * Versions 2 to 4 of gear and 2 to 5 of trip only add fields that may be absent, so there is nothing to change but the
 * number.
 */
const STEPS: Readonly<Record<string, readonly Step[]>> = {
  [GEAR_SCHEMA]: [(gear) => gear, (gear) => gear, (gear) => gear],
  [TRIP_SCHEMA]: [(trip) => trip, (trip) => trip, (trip) => trip, (trip) => trip],
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
