import {
  ACTIVITIES,
  type Check,
  type ChemistryName,
  fixed,
  HOUR_MS,
  plainSentence,
  planSentence,
  type Ration,
  sayCoordinates,
  sayDate,
  sayDay,
  sayDuration,
  sayHour,
  sayWork,
  sayQuantity,
  sayTime,
  toLocator,
} from '@knapsack/core';
import type { Gear, Radio } from '../documents/gear.js';
import { REPEATS, type Trip } from '../documents/trip.js';
import { batteryPieces } from '../harness/battery-pieces.js';
import { harnessDrawing, type HarnessDrawing } from '../harness/drawing.js';
import type { ExpectedReadings } from '../harness/expected-readings.js';
import { wireSays } from '../harness/harness-checks.js';
import { harnessReport } from '../harness/harness-report.js';
import { blockDuty } from '../resolve/block-duty.js';
import { positionOf } from '../resolve/expand-blocks.js';
import { counted, lookUp } from '../resolve/look-up.js';
import { radiosByPosition } from '../resolve/resolve-positions.js';
import { assessTrip, sayMissing, type TripAssessment } from '../resolve/assess-trip.js';
import { planFindings } from '../resolve/plan-findings.js';
import { rationRules } from '../size/ration-words.js';
import { siteCareOf } from '../site/site-care-of.js';
import { voltsTable } from './volts-table.js';

/** Everything that stands on the card that one takes along, in words. */
export interface FieldCard {
  readonly name: string;
  readonly where: string;
  readonly when: string;
  /** What stops the plan, in any room, and what Wire warns of: said first. */
  readonly stops: readonly string[];
  readonly warnings: readonly string[];
  /** The chance and the typical outing; what is missing; or why it cannot be calculated. */
  readonly verdict: string;
  readonly kit: string;
  readonly schedule: readonly (readonly [when: string, what: string, how: string])[];
  readonly volts: readonly {
    readonly charge: string;
    readonly rest: string;
    readonly listening: string;
    readonly keyDown: string;
    readonly left: string;
    readonly isReserve: boolean;
  }[];
  readonly voltsNote: string;
  readonly ration: readonly (readonly [when: string, words: string])[];
  readonly fuses: readonly (readonly [run: string, fuse: string])[];
  /** The order of connecting and of disconnecting. */
  readonly joining: string;
  readonly parting: string;
  readonly cautions: readonly string[];
  /** The wiring as it is drawn in its room. */
  readonly wiring: HarnessDrawing;
}

/** Lines left for frequencies, filled in by hand. */
export const BLANK_LINES = 6;
/** More hours of the ration than stand on one page. */
const MOST_RATION = 14;
const MOST_SCHEDULE = 14;

/** What says stop, in the forecast or in Wire; in Wire alone where nothing can be forecast. */
function stopsOf({ found, wire }: TripAssessment, checks: readonly Check[]): readonly string[] {
  const says = wireSays(checks);
  const findings =
    found && wire ? planFindings(found.run.verdict, wire) : planFindings({ findings: [] }, says);
  return findings.filter(({ severity }) => severity === 'stop').map(({ sentence }) => sentence);
}

/** Where something stops the kit, nobody is told that it lasts. */
const MEND_FIRST = 'Fix this before you go: until then there is no verdict.';

/** The chance and the typical outing; or what is missing, or why nothing can be said. */
function verdictWords({ found, missing, problems }: TripAssessment, zone: string): string {
  if (missing.length > 0) return sayMissing(missing);
  if (!found) return `This plan cannot be calculated: ${problems[0].sentence}`;
  return plainSentence(planSentence(found.run.verdict, found, zone));
}

/**
 * The field card of a trip, the same for screen, print and PDF.
 *
 * @param ration how to spend the energy; null where it is not known
 */
export function fieldCard(trip: Trip, shelf: readonly Gear[], ration: Ration | null): FieldCard {
  const zone = trip.place.timeZone;
  const { carried } = lookUp(trip, shelf);
  const report = harnessReport(trip, shelf);
  const assessment = assessTrip(trip, shelf);
  const stops = stopsOf(assessment, report.checks);
  const volts = voltsTable(trip, carried, report.expected);
  const chemistries = [...new Set(batteryPieces(carried).map(({ gear }) => gear.chemistry))];
  return {
    name: trip.name,
    where: whereWords(trip),
    when: whenWords(trip),
    stops,
    warnings: report.checks.filter(({ severity }) => severity === 'look').map(({ sentence }) => sentence),
    verdict:
      stops.length > 0 && assessment.missing.length === 0 ? MEND_FIRST : verdictWords(assessment, zone),
    kit: carried.map(({ gear, item }) => counted(gear.name, item.count)).join(', '),
    schedule: scheduleOf(trip, radiosByPosition(carried)),
    volts: (volts ?? []).map(({ soc, restV, receiveV, keyDownV, hours, isReserve }) => ({
      charge: sayQuantity({ value: soc, unit: 'share' }),
      rest: `${fixed(restV, 1)} V`,
      listening: `${fixed(receiveV, 1)} V`,
      keyDown: `${fixed(keyDownV, 1)} V`,
      left: hours === null ? '' : sayDuration(hours),
      isReserve,
    })),
    voltsNote: voltsNote(trip, volts ? chemistries : [], report.expected),
    ration: ration ? rationLines(ration, zone) : [],
    fuses: report.runs.flatMap(({ part, label }) => {
      const fuseA = report.parts.find(({ id }) => id === part)?.run?.fuseA;
      return fuseA ? [[label, `${fuseA} A`] as const] : [];
    }),
    joining: report.joiningBlocked ?? report.joining.map(({ words }) => words).join(' '),
    parting: report.parting.map(({ words }) => words).join(' '),
    cautions: [...report.cautions, ...siteCareOf(trip, shelf).map(({ short }) => short)],
    wiring: harnessDrawing(report, 'across'),
  };
}

function whereWords({ place: { name, latitudeDeg, longitudeDeg } }: Trip): string {
  if (latitudeDeg === undefined || longitudeDeg === undefined) return name;
  const place = { latitudeDeg, longitudeDeg };
  return `${name}, ${sayCoordinates(place)}, ${toLocator(place, 6)}`;
}

function whenWords({ start, end, place }: Trip): string {
  const at = (iso: string) =>
    `${sayDate(Date.parse(iso), place.timeZone)} ${sayHour(Date.parse(iso), place.timeZone)}`;
  const hours = (Date.parse(end) - Date.parse(start)) / HOUR_MS;
  return `${at(start)} to ${at(end)}, ${sayDuration(hours)}, hours of ${place.timeZone}`;
}

function scheduleOf(trip: Trip, radios: readonly Radio[]): FieldCard['schedule'] {
  const zone = trip.place.timeZone;
  const lines = trip.blocks
    .toSorted((a, b) => Date.parse(a.start) - Date.parse(b.start))
    .map((block): readonly [string, string, string] => {
      const { start, end, mode, powerW, activity, repeat } = block;
      const used = radios[positionOf(block) - 1] ?? null;
      const { share } = blockDuty(block, used);
      const when = spanWords(Date.parse(start), Date.parse(end), zone);
      const radio = radios.length > 1 ? `${used?.name ?? ''} ` : '';
      return [
        repeat ? `${when}, ${REPEATS[repeat]}` : when,
        `${radio}${sayWork({ mode, powerW })}`,
        `${ACTIVITIES[activity].label}, duty cycle ${sayQuantity({ value: share, unit: 'share' })}`,
      ];
    });
  return atMost(lines, MOST_SCHEDULE, (left) => ['…', `${left} more blocks`, 'in the plan']);
}

/** The day once where it is the same. */
function spanWords(startMs: number, endMs: number, zone: string): string {
  const sameDay = sayDay(startMs, zone) === sayDay(endMs, zone);
  return `${sayTime(startMs, zone)} to ${sameDay ? sayHour(endMs, zone) : sayTime(endMs, zone)}`;
}

/** Hours with the same rule stand in one line. */
function rationLines(ration: Ration, zone: string): FieldCard['ration'] {
  const lines: (readonly [string, string])[] = [];
  for (const { when, words } of rationRules(ration, zone)) {
    if (lines.at(-1)?.[1] !== words) lines.push([`from ${when}`, words]);
  }
  return atMost(lines, MOST_RATION, (left) => ['…', `${left} more lines in the plan`]);
}

const atMost = <Line>(lines: readonly Line[], most: number, rest: (left: number) => Line): readonly Line[] =>
  lines.length <= most ? lines : [...lines.slice(0, most - 1), rest(lines.length - most + 1)];

function voltsNote(
  { temperatureC, batteryUse }: Trip,
  chemistries: readonly ChemistryName[],
  { receiveA, keyDownA }: ExpectedReadings,
): string {
  if (chemistries.length === 0) {
    return 'A power station’s socket gives the same volts to the end: read its own display.';
  }
  const amps = (value: number) => sayQuantity({ value, unit: 'A' });
  const turns = batteryUse === 'turns' ? ' Of the first battery.' : '';
  const rest = chemistries.includes('lifepo4')
    ? 'At rest: panel off and an hour without load. Volts tell the charge below a fifth only; above it count Ah.'
    : 'At rest: panel off and an hour without load.';
  return `${rest} At the battery, ${amps(receiveA)} drawn while listening and ${amps(keyDownA)} with the key down, at ${sayQuantity({ value: temperatureC, unit: 'C' })}. Hours are of average work without sun.${turns}`;
}
