import { Command } from 'commander';
import {
  debriefOf,
  entriesOfContacts,
  sayCorrection,
  sayDifference,
  sayOthers,
  sayWaterfall,
  type Debrief,
} from '@knapsack/contract/debrief';
import { entriesOfRecord, withEntries } from '@knapsack/contract/field';
import { readAdif } from '@knapsack/contract/formats';
import { readLog } from '@knapsack/contract/schemas';
import { fixed } from '@knapsack/core';
import { readJson, readText } from './read-json.js';
import { taken } from './taken.js';
import { InputProblem, type Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface Options {
  gear?: string;
  adif?: string;
  meter?: string;
  calling?: true;
  json?: boolean;
}

/** knapsack debrief: what really happened in an outing, why it differs from the plan, and what that teaches. */
export function debriefCommand(terminal: Terminal): Command {
  return new Command('debrief')
    .description('What was really used in an outing, why it differs from the plan, and what that teaches.')
    .argument('<TRIP.json>', 'a trip document')
    .argument('<LOG.json>', 'the log of the outing')
    .option(...GEAR_OPTION)
    .option('--adif <FILE>', 'a contact log in ADIF')
    .option('--meter <FILE>', 'what an instrument recorded: lines, or the days of a charge controller')
    .option('--calling', 'between contacts the operator calls, whatever the plan says')
    .option('--json', 'print it as JSON')
    .action((tripFile: string, logFile: string, { gear, adif, meter, calling, json }: Options) => {
      const { trip, shelf } = readTripFiles(tripFile, gear);
      const log = taken(logFile, readLog(readJson(logFile)));
      if (log.trip !== trip.id) {
        throw new InputProblem(
          `${logFile} is the log of “${log.trip}”; the trip in ${tripFile} is “${trip.id}”.`,
        );
      }
      const read = adif === undefined ? null : taken(adif, readAdif(readText(adif)));
      const record =
        meter === undefined
          ? null
          : taken(meter, entriesOfRecord(readText(meter), trip, Date.parse(trip.end)));
      const contacts = read && taken(adif!, entriesOfContacts(trip, read.contacts));
      const whole = withEntries(log, ...(record?.entries ?? []), ...(contacts?.entries ?? []));
      const found = taken(tripFile, debriefOf(trip, whole, shelf, calling ? { calling: true } : {}));
      const leftOut = read?.leftOut ?? [];
      const others = contacts?.others ?? 0;
      const notes = [...(record?.notes ?? []), ...found.notes, ...(others > 0 ? [sayOthers(others)] : [])];
      terminal.out(
        json
          ? `${JSON.stringify({ ...asJson(found), notes, leftOut })}\n`
          : inWords(found, [
              ...notes,
              ...leftOut.map(({ contact, why }) => `Contact ${contact} ${why}: left out.`),
            ]),
      );
    });
}

const asJson = ({ waterfall, now, onAir, duties, corrections }: Debrief) => ({
  waterfall,
  learned: Object.fromEntries(now.learned),
  corrections,
  soc: now.soc,
  contacts: onAir && {
    contacts: onAir.contacts,
    hoursOnAir: onAir.hours,
    dutyCycle: Object.fromEntries(duties),
  },
});

const inWords = ({ waterfall, corrections, shelf, onAir }: Debrief, notes: readonly string[]): string =>
  `${[
    sayDifference(waterfall),
    ...sayWaterfall(waterfall).map((line) => `  ${line}`),
    ...(onAir ? [`${onAir.contacts} contacts in ${fixed(onAir.hours, 1)} h on the air.`] : []),
    ...corrections.map((correction) =>
      sayCorrection(correction, shelf.find(({ id }) => id === correction.gear)?.name ?? correction.gear),
    ),
    ...notes,
  ].join('\n')}\n`;
