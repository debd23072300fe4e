import { CLIMATE_WORDS, seasonAt, usualSky, type ClimateWord } from '@knapsack/core';
import { GEAR_SCHEMA } from './gear.js';
import { LOG_SCHEMA } from './log.js';
import { REQUIREMENTS_SCHEMA } from './requirements.js';
import { TRIP_SCHEMA } from './trip.js';

type Data = Readonly<Record<string, unknown>>;
type Step = (data: Data) => Data;

const unchanged: Step = (document) => document;

/**
 * What brings a document from one version to the next, by schema; the first entry leads from version 1 to 2.
 * Versions 2 to 8 of gear and 2 to 4 and 7 to 9 of trip only add fields that may be absent, so there is nothing to change but the
 * number. Version 5 of trip has no usual cloud but the user's own word; in version 6 what is ticked and read is no part of the
 * plan, and only travels with it.
 */
const STEPS: ReadonlyMap<unknown, readonly Step[]> = new Map([
  // Version 2 of a log may have contacts.
  [LOG_SCHEMA, [unchanged]],
  // Version 2 of the requirements may have measures that version 1 did not.
  [REQUIREMENTS_SCHEMA, [unchanged]],
  [GEAR_SCHEMA, Array.from({ length: 7 }, () => unchanged)],
  [
    TRIP_SCHEMA,
    [
      ...[unchanged, unchanged, unchanged, cloudByTheClimate, ticksAndResultsOut],
      ...[unchanged, unchanged, unchanged],
    ],
  ],
]);

/** A document of an earlier version as this one writes it, with the gear that travels in it; anything else as it is. */
export function upToDate(data: unknown): unknown {
  if (!isData(data)) return data;
  const { schema, version } = data;
  const own = Array.isArray(data['gear']) ? { gear: (data['gear'] as unknown[]).map(upToDate) } : {};
  if (typeof schema !== 'string' || !Number.isInteger(version)) return data;
  const steps = STEPS.get(schema);
  const newest = steps && steps.length + 1;
  if (newest === undefined || (version as number) < 1 || (version as number) >= newest) {
    return { ...data, ...own };
  }
  let migrated: Data = { ...data, ...own };
  for (const step of steps!.slice((version as number) - 1)) migrated = step(migrated);
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

/** Before version 6 the lines of each bag said whether they were packed, and the rehearsal what the home test had given. */
function ticksAndResultsOut(trip: Data): Data {
  const { loadout, variants, rehearsal } = trip;
  const ticked = new Set<unknown>();
  const unticked = (lines: unknown) =>
    Array.isArray(lines)
      ? lines.map((line: unknown) => {
          if (!isData(line)) return line;
          const { packed, ...item } = line;
          if (packed === true) ticked.add(item['gear']);
          return item;
        })
      : lines;
  const { results, ...planned } = isData(rehearsal) ? rehearsal : {};
  const migrated: Data = {
    ...trip,
    ...(loadout !== undefined && { loadout: unticked(loadout) }),
    ...(variants !== undefined && {
      variants: Array.isArray(variants)
        ? variants.map((one: unknown) => (isData(one) ? { ...one, loadout: unticked(one['loadout']) } : one))
        : variants,
    }),
    ...(rehearsal !== undefined && { rehearsal: isData(rehearsal) ? planned : rehearsal }),
    ...(results !== undefined && { results }),
  };
  return ticked.size === 0 ? migrated : { ...migrated, packed: [...ticked].map((gear) => ({ gear })) };
}
