import { fileURLToPath } from 'node:url';
import { Command } from 'commander';
import { stringify } from 'csv-stringify/sync';
import { resolve, type Gear } from '@knapsack/contract';
import { readShelf, readTrip } from '@knapsack/contract/schemas';
import {
  explain,
  forecast,
  plainSentence,
  sayQuantity,
  verdictSentence,
  type Forecast,
  type Result,
} from '@knapsack/core';
import { readJson } from './read-json.js';
import { InputProblem, type Terminal } from './terminal.js';

/** The shelf that ships with Knapsack: the gear of the demo trips. */
const SHIPPED_SHELF = fileURLToPath(new URL('../../demo/gear.json', import.meta.url));

interface ForecastOptions {
  gear?: string;
  json?: boolean;
  csv?: boolean;
}

/** knapsack forecast: the verdict on a trip, its arithmetic and its steps. */
export function forecastCommand(terminal: Terminal): Command {
  return new Command('forecast')
    .description('The verdict on a trip and how it comes about.')
    .argument('<TRIP.json>', 'a trip document')
    .option(
      '--gear <GEAR.json>',
      'a shelf document with the gear (else what the trip carries, then the demo’s shelf)',
    )
    .option('--json', 'print the verdict and the steps as JSON')
    .option('--csv', 'print the steps as CSV')
    .action((tripFile: string, options: ForecastOptions) => {
      if (options.json && options.csv) throw new InputProblem('Choose one of --json and --csv.');
      const trip = taken(tripFile, readTrip(readJson(tripFile)));
      const gearFile = options.gear ?? SHIPPED_SHELF;
      const { gear: shelf } = taken(gearFile, readShelf(readJson(gearFile)));
      const own: readonly Gear[] = trip.gear ?? [];
      const plan = taken(tripFile, resolve(trip, options.gear ? shelf : [...shelf, ...own]));
      const run = forecast(plan);
      const zone = trip.place.timeZone;
      if (options.csv) terminal.out(asCsv(run));
      else if (options.json) terminal.out(`${JSON.stringify(asJson(trip.name, run, zone))}\n`);
      else terminal.out(inWords(trip.name, run, zone));
    });
}

/** What was read, or its first problem as the sentence to end with. */
function taken<T>(file: string, result: Result<T>): T {
  if (result.ok) return result.value;
  const [first, ...others] = result.problems;
  const where = first.pointer ? ` at ${first.pointer}` : '';
  const more = others.length > 0 ? ` (and ${others.length} more)` : '';
  throw new InputProblem(`${file}${where}: ${first.sentence}${more}`);
}

const iso = (timeMs: number | null): string | null =>
  timeMs === null ? null : new Date(timeMs).toISOString();

/** A figure without the digits that rounding in binary leaves behind. */
const tidy = (value: number): number => Number(value.toPrecision(10));

function stepsOf({ march, load }: Forecast) {
  return Array.from(march.loadA, (amps, step) => ({
    time: iso(march.edgesMs[step + 1]),
    soc: tidy(march.soc[step + 1]),
    loadA: tidy(amps),
    sunA: tidy(march.offeredA[step]),
    curtailedA: tidy(march.curtailedA[step]),
    terminalV: tidy(march.terminalV[step]),
    keyDownA: tidy(load.keyDownPackA[step]),
    radioV: tidy(march.radioV[step]),
  }));
}

function asJson(name: string, run: Forecast, zone: string) {
  const { planEndMs, endMs, floorMs, radioDropoutMs, cutoffMs, lowestMs, marginHours, ...verdict } =
    run.verdict;
  return {
    trip: name,
    sentence: plainSentence(verdictSentence(run.verdict, zone)),
    verdict: {
      ...verdict,
      planEnd: iso(planEndMs),
      end: iso(endMs),
      floor: iso(floorMs),
      radioDropout: iso(radioDropoutMs),
      cutoff: iso(cutoffMs),
      lowest: iso(lowestMs),
      marginHours: Number.isFinite(marginHours) ? marginHours : null,
    },
    explanation: explain(run),
    books: run.march.books,
    steps: stepsOf(run),
  };
}

const asCsv = (run: Forecast): string => stringify(stepsOf(run), { header: true });

function inWords(name: string, run: Forecast, zone: string): string {
  const sums = Object.values(explain(run)).flatMap(({ title, lines }) => [
    '',
    title,
    ...lines.map(({ label, terms, result }) => {
      const sum = terms.map((term) => (typeof term === 'string' ? term : sayQuantity(term))).join('');
      return `  ${label}: ${sum ? `${sum} = ` : ''}${sayQuantity(result)}`;
    }),
  ]);
  const found = run.verdict.findings.map(({ severity, sentence }) => `${severity}: ${sentence}`);
  return `${[name, plainSentence(verdictSentence(run.verdict, zone)), ...found, ...sums].join('\n')}\n`;
}
