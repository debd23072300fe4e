import { Command, Option } from 'commander';
import { along, standAlone, type Gear, type Trip } from '@knapsack/contract';
import { outingCalendar, siteAsGeoJson, siteAsGpx } from '@knapsack/contract/formats';
import {
  readGear,
  readPacking,
  readRehearsal,
  readTrip,
  readTripFileChoice,
} from '@knapsack/contract/schemas';
import { everythingIn, takeInto } from '@knapsack/server/backup';
import { dataFolder, fromFolder } from './data-folder.js';
import { readJson } from './read-json.js';
import { taken } from './taken.js';
import { InputProblem, type Terminal } from './terminal.js';
import { readTripFiles } from './trip-files.js';

type Writer = (trip: Trip, shelf: readonly Gear[]) => string | null;

const FORMATS: ReadonlyMap<string, Writer> = new Map<string, Writer>([
  ['trip', (trip, shelf) => `${JSON.stringify(standAlone(trip, shelf), null, 2)}\n`],
  ['ics', (trip, shelf) => outingCalendar(trip, shelf, Date.now())],
  ['gpx', (trip) => siteAsGpx(trip)],
  ['geojson', (trip) => siteAsGeoJson(trip)],
]);

/** knapsack export: a trip as a file that others read. */
export function exportCommand(terminal: Terminal): Command {
  return new Command('export')
    .description('Print a trip as a file that stands alone, as a calendar, or its place for a map.')
    .argument('<TRIP>', 'a trip document (TRIP.json), or the id of a trip in your data folder')
    .addOption(new Option('--as <format>', 'what to print').choices([...FORMATS.keys()]).default('trip'))
    .action((name: string, { as }: { as: string }) =>
      fromFolder(async () => {
        const { trip, shelf } = name.endsWith('.json') ? readTripFiles(name) : await storedTrip(name);
        const text = FORMATS.get(as)!(trip, shelf);
        if (text === null) throw new InputProblem(`The place of ${trip.name} has no coordinates.`);
        terminal.out(text);
      }),
    );
}

/** knapsack import: a trip out of a file into the data folder. */
export function importCommand(terminal: Terminal): Command {
  return new Command('import')
    .description('Put a trip out of a file into your data folder, its gear onto the shelf.')
    .argument('<TRIP.json>', 'a trip document')
    .option('--replace', 'in the place of a trip of the same id (else beside it)')
    .option('--own-gear', 'its own gear beside the shelf’s where the two differ (else the shelf’s)')
    .action((file: string, { replace, ownGear }: { replace?: boolean; ownGear?: boolean }) =>
      fromFolder(async () => {
        const trip = taken(file, readTrip(readJson(file)));
        const choice = taken(
          file,
          readTripFileChoice({
            trip: replace ? 'replace' : 'both',
            differentGear: ownGear ? 'file' : 'shelf',
          }),
        );
        const done = await takeInto(dataFolder(), trip, choice);
        if (!done.ok)
          throw new InputProblem(
            `The trip “${trip.id}” here cannot be read by this release; it was left as it is.`,
          );
        const gear = done.gear === 1 ? '1 gear item is' : `${done.gear} gear items are`;
        terminal.out(`${done.name} is here as “${done.id}”; ${gear} new on the shelf.\n`);
        if (done.missingGear.length > 0)
          terminal.out(
            `Its bag names gear that is neither in the file nor on the shelf: ${done.missingGear.join(', ')}.\n`,
          );
      }),
    );
}

async function storedTrip(id: string): Promise<{ trip: Trip; shelf: readonly Gear[] }> {
  const kept = await everythingIn(dataFolder());
  const text = kept.find((one) => one.kind === 'trips' && one.id === id)?.text;
  if (text === undefined) throw new InputProblem(`There is no trip “${id}” in ${dataFolder()}.`);
  const beside = (kind: string): unknown =>
    JSON.parse(kept.find((one) => one.kind === kind && one.id === id)?.text ?? 'null');
  const [packing, rehearsal] = [readPacking(beside('packings')), readRehearsal(beside('rehearsals'))];
  const trip = along({
    trip: taken(id, readTrip(JSON.parse(text))),
    packing: packing.ok ? packing.value : null,
    rehearsal: rehearsal.ok ? rehearsal.value : null,
  });
  const shelf = kept.flatMap((one) => {
    if (one.kind !== 'gear') return [];
    const gear = readGear(JSON.parse(one.text));
    return gear.ok ? [gear.value] : [];
  });
  return { trip, shelf };
}
