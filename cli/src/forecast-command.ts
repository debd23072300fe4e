import { Command } from 'commander';
import {
  assessTrip,
  lookUp,
  planFindings,
  stopSentences,
  sayMissing,
  sayWarnings,
  takeWeather,
  type Gear,
  type Trip,
  type TripAssessment,
} from '@knapsack/contract';
import { csvOf } from '@knapsack/contract/formats';
import type { WireSays } from '@knapsack/contract/harness';
import { compassBearing, declination } from '@knapsack/core/compass';
import {
  bestFixedAim,
  explain,
  fail,
  fixed,
  plainSentence,
  ASSUMPTION_NAMES,
  succeed,
  planSentence,
  SEVERITY_NAMES,
  type Assessment,
  type ChanceUp,
  type ClimateWord,
  type Forecast,
  type PlanMark,
  type Result,
  type Assumption,
} from '@knapsack/core';
import { sayLine } from './say-line.js';
import { problemLine, taken } from './taken.js';
import { InputProblem, type Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';
import { climateWord, simulatedFor, weatherOfFile } from './weather-command.js';

interface ForecastOptions {
  gear?: string;
  weather?: string;
  climate?: ClimateWord;
  rating?: Assumption;
  json?: boolean;
  csv?: boolean;
}

/** knapsack forecast: the verdict on a trip, its arithmetic and its steps. */
export function forecastCommand(terminal: Terminal): Command {
  return new Command('forecast')
    .description('The verdict on a trip and how it comes about.')
    .argument('<TRIP.json>', 'a trip document')
    .option(...GEAR_OPTION)
    .option('--weather <FILE>', 'a forecast file, CSV or JSON, in place of the trip’s weather')
    .option('--climate <word>', 'simulated weather of a climate in place of the trip’s', climateWord)
    .option('--rating <name>', `which consumption figures: ${ASSUMPTION_NAMES.join(', ')}`, assumptionName)
    .option('--json', 'print the verdict and the steps as JSON')
    .option('--csv', 'print the steps as CSV')
    .action((tripFile: string, options: ForecastOptions) => {
      if (options.json && options.csv) throw new InputProblem('Choose one of --json and --csv.');
      if (options.weather && options.climate) {
        throw new InputProblem('Choose one of --weather and --climate.');
      }
      const { trip: asWritten, shelf } = readTripFiles(tripFile, options.gear);
      const trip = withOptions(asWritten, options, terminal);
      // A trip whose gear nobody knows cannot be read; one that lacks something can.
      taken(tripFile, known(trip, shelf));
      const assessment = assessTrip(trip, shelf);
      const { found, wire, missing, problems } = assessment;
      const zone = trip.place.timeZone;
      if (missing.length > 0) {
        if (options.csv) throw new InputProblem(`${tripFile}: ${sayMissing(missing)}`);
        terminal.out(
          options.json ? unknownAsJson(trip.name, missing) : `${trip.name}\n${sayMissing(missing)}\n`,
        );
        return;
      }
      if (!found || !wire) throw new InputProblem(problemLine(tripFile, problems));
      if (options.csv) terminal.out(asCsv(found.run));
      else if (options.json)
        terminal.out(`${JSON.stringify(asJson(trip.name, assessment.status, found, wire, zone))}\n`);
      else terminal.out(inWords(trip.name, found, wire, zone));
    });
}

/** The trip with another weather and rating, where those are asked for. */
function withOptions(trip: Trip, options: ForecastOptions, terminal: Terminal): Trip {
  const { weather, climate, rating } = options;
  const assumed = rating ? { ...trip, rating } : trip;
  if (!weather && !climate) return assumed;
  const document = weather ? weatherOfFile(weather, trip, terminal) : simulatedFor(trip, climate);
  const { weather: hours, notes } = takeWeather(document, trip);
  for (const note of notes) terminal.err(`${weather ?? 'weather'}: ${note}\n`);
  return { ...assumed, weather: hours };
}

function assumptionName(text: string): Assumption {
  const name = ASSUMPTION_NAMES.find((known) => known === text);
  if (name) return name;
  throw new InputProblem(`--rating: “${text}” is not known; choose one of ${ASSUMPTION_NAMES.join(', ')}.`);
}

const iso = (timeMs: number | null): string | null =>
  timeMs === null ? null : new Date(timeMs).toISOString();

/** A figure without the digits that rounding in binary leaves behind. */
const tidy = (value: number): number => Number(value.toPrecision(10));

function stepsOf({ march }: Forecast) {
  return Array.from(march.loadA, (amps, step) => ({
    time: iso(march.edgesMs[step + 1]),
    soc: tidy(march.soc[step + 1]),
    loadA: tidy(amps),
    sunA: tidy(march.offeredA[step]),
    chargerA: tidy(march.fedTakenA[step]),
    curtailedA: tidy(march.curtailedA[step]),
    terminalV: tidy(march.terminalV[step]),
    keyDownA: tidy(march.keyDownA[step]),
    radioV: tidy(march.radioV[step]),
  }));
}

const known = (trip: Trip, shelf: readonly Gear[]): Result<Trip> => {
  const { missing } = lookUp(trip, shelf);
  return missing.length > 0 ? fail(...missing) : succeed(trip);
};

/** A readable trip that lacks something: no verdict, and what to add. */
const unknownAsJson = (trip: string, missing: TripAssessment['missing']): string =>
  `${JSON.stringify({ trip, status: 'unknown', chance: null, missing, sentence: sayMissing(missing) })}\n`;

const availabilityAsJson = ({ p50, p10, outages, longestH }: ChanceUp) => ({
  p50: tidy(p50),
  p10: tidy(p10),
  outages,
  longestH: tidy(longestH),
});

function asJson(name: string, status: PlanMark, found: Assessment, wire: WireSays, zone: string) {
  const { run, chance } = found;
  const { planEndMs, endMs, reserveMs, radioDropoutMs, cutoffMs, lowestMs, marginHours, ...verdict } =
    run.verdict;
  const { events, schools, findings, ...figures } = verdict;
  return {
    trip: name,
    status,
    chance: {
      finish: chance.chance,
      standardError: tidy(chance.standardError),
      samples: chance.samples,
      target: chance.target,
    },
    ...(chance.availability && { availability: availabilityAsJson(chance.availability) }),
    missing: [],
    warningsInWire: wire.warnings,
    ...(found.wouldDoAh !== undefined && { wouldDoAh: found.wouldDoAh }),
    sentence: plainSentence(
      planSentence(run.verdict, { ...found, stops: stopSentences(run.verdict, wire) }, zone),
    ),
    verdict: {
      ...figures,
      findings: planFindings({ findings }, wire),
      schools: schools.map(({ endMs: schoolEndMs, ...school }) => ({ ...school, end: iso(schoolEndMs) })),
      events: events.map(({ timeMs, ...event }) => ({ ...event, time: iso(timeMs) })),
      planEnd: iso(planEndMs),
      end: iso(endMs),
      reserve: iso(reserveMs),
      radioDropout: iso(radioDropoutMs),
      cutoff: iso(cutoffMs),
      lowest: iso(lowestMs),
      marginHours: Number.isFinite(marginHours) ? marginHours : null,
    },
    bestAim: aimOf(run),
    explanation: explain(run, zone),
    books: run.march.books,
    steps: stepsOf(run),
  };
}

/** How the panel would best be laid out once and for all of the outing; null without a panel or a sun. */
function aimOf({ plan }: Forecast) {
  const best = plan.sun && bestFixedAim(plan.sun, plan.outing);
  if (!plan.sun || !best) return null;
  const { tiltDeg, azimuthDeg } = best;
  const compassDeg = compassBearing(azimuthDeg, declination(plan.sun, plan.outing.startMs));
  return { tiltDeg, azimuthDeg, compassDeg: tidy(compassDeg) };
}

function asCsv(run: Forecast): string {
  const steps = stepsOf(run);
  return csvOf(
    Object.keys(steps[0] ?? {}),
    steps.map((step) => Object.values(step)),
  );
}

function inWords(name: string, found: Assessment, wire: WireSays, zone: string): string {
  const { run } = found;
  const sums = Object.values(explain(run, zone)).flatMap(({ title, lines }) =>
    lines.length === 0 ? [] : ['', title, ...lines.map((line) => `  ${sayLine(line)}`)],
  );
  const aim = aimOf(run);
  const laid = aim
    ? [
        `best fixed aim: tilted ${fixed(aim.tiltDeg, 0)}° from the level, looking ${fixed(aim.azimuthDeg, 0)}° true, ${fixed(aim.compassDeg, 0)}° by compass`,
      ]
    : [];
  const warnings = sayWarnings(wire);
  const findings = planFindings(run.verdict, wire).map(
    ({ severity, sentence: said }) => `${SEVERITY_NAMES[severity]}: ${said}`,
  );
  const stops = stopSentences(run.verdict, wire);
  const sentence = plainSentence(planSentence(run.verdict, { ...found, stops }, zone));
  return `${[name, sentence, ...(warnings ? [warnings] : []), ...findings, ...laid, ...sums].join('\n')}\n`;
}
