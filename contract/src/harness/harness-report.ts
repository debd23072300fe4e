import {
  cautions,
  connectionOrder,
  describeNoRemedy,
  disconnectionOrder,
  forecast,
  cableRunFigures,
  cableRunLabel,
  isPrimary,
  type Check,
  type Forecast,
  type HarnessFacts,
  type HarnessPart,
  type OrderFacts,
  type OrderStep,
  type CableRunFigures,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lookUp, type Carried } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { batteryPieces } from './battery-pieces.js';
import { applyRemedy } from './change-harness.js';
import { expectedReadings, type ExpectedReadings } from './expected-readings.js';
import { checkedHarness, type CheckedHarness } from './harness-checks.js';

/** A run of the harness with what flows through it. */
export interface ReportedCableRun extends CableRunFigures {
  /** The part that it leads to. */
  readonly part: string;
  /** For example "Shale 18 to Curlew 10". */
  readonly label: string;
}

/** How a trip's kit is wired, what flows where, what is wrong with it, and in which order it is joined. */
export interface HarnessReport {
  readonly parts: readonly HarnessPart[];
  readonly runs: readonly ReportedCableRun[];
  readonly checks: readonly Check[];
  /** The order of connecting; empty while a stop stands. */
  readonly joining: readonly OrderStep[];
  /** Why there is no order of connecting; null if there is one. */
  readonly joiningBlocked: string | null;
  readonly parting: readonly OrderStep[];
  readonly expected: ExpectedReadings;
  /** What can hurt someone in the work with this kit, in sentences. */
  readonly cautions: readonly string[];
  /** Why the plan cannot be calculated, so that the currents are those of the blocks alone; null where it can. */
  readonly uncalculated: string | null;
}

/** Looks at a trip's wiring. Any kit gives a report: what cannot be calculated is left open and said. */
export function harnessReport(trip: Trip, shelf: readonly Gear[]): HarnessReport {
  const { carried } = lookUp(trip, shelf);
  const plan = resolve(trip, shelf);
  const calculated = plan.ok ? forecast(plan.value) : null;
  const { parts, facts, checks } = checkedHarness(trip, carried, calculated, true);
  const figures = cableRunFigures(parts, facts.flow);
  const stops = checks.filter(isStop).length;
  return {
    parts,
    runs: parts.flatMap((part) => {
      const run = figures.get(part.id);
      return run ? [{ part: part.id, label: cableRunLabel(parts, part), ...run }] : [];
    }),
    checks: checks.map((check) => withSureRemedy(trip, shelf, carried, calculated, checks, check)),
    joining: stops > 0 ? [] : connectionOrder(parts, orderFacts(facts)),
    joiningBlocked: stops > 0 ? describeBlocked(stops) : null,
    parting: disconnectionOrder(parts),
    expected: expectedReadings(trip, carried, parts, calculated, facts.flow),
    cautions: cautionsOf(carried),
    uncalculated: plan.ok ? null : plan.problems[0].sentence,
  };
}

const describeBlocked = (stops: number): string =>
  `Connect nothing yet: first put ${stops === 1 ? 'the stop' : `the ${stops} stops`} right.`;

/** What to look out for in the work with these batteries; what the site asks for stands in site/. */
const cautionsOf = (carried: readonly Carried[]): readonly string[] => [
  ...new Set(batteryPieces(carried).flatMap(({ gear }) => cautions(gear.chemistry))),
];

/** What the order of connecting depends on besides the parts. */
export const orderFacts = ({ packs, inParallel }: HarnessFacts): OrderFacts =>
  packs.length < 2
    ? {}
    : {
        batteries: inParallel ? 'parallel' : 'turns',
        fullByCharger: packs.some(({ chemistry }) => chemistry === 'lifepo4'),
        isPrimary: packs.some(({ chemistry }) => isPrimary(chemistry)),
        isMixed: new Set(packs.map(({ chemistry }) => chemistry)).size > 1,
      };

/**
 * A check with its remedy if that heals it, stops nothing else in the whole kit, and leaves no finding merely unknown; otherwise
 * without, and a stop says why.
 */
function withSureRemedy(
  trip: Trip,
  shelf: readonly Gear[],
  carried: readonly Carried[],
  run: Forecast | null,
  before: readonly Check[],
  check: Check,
): Check {
  if (!check.remedy || check.part === null) return check;
  const { remedy, ...bare } = check;
  const mended = applyRemedy(trip, shelf, check.part, remedy, 'put-in');
  // Another cable or another place for the radio is another plan.
  const plan = resolve(mended, shelf);
  const after = checkedHarness(mended, carried, plan.ok ? forecast(plan.value) : run);
  const heals = !after.checks.some((one) => placeOf(one) === placeOf(check));
  const isSafe =
    heals &&
    after.checks.filter(isStop).every((stop) => before.some((one) => isStop(one) && sameRule(one, stop))) &&
    knownRadios(after) >= knownRadios(checkedHarness(trip, carried, run)) &&
    !leavesRadioOff(check, after.checks);
  return isSafe ? check : { ...bare, ...(isStop(check) && { noRemedy: describeNoRemedy(check.rule) }) };
}

/** A thicker cable that leaves the radio without enough volts is no remedy. */
const leavesRadioOff = ({ rule }: Check, after: readonly Check[]): boolean =>
  rule === 'drop' && after.some((one) => one.rule === 'floor' && isStop(one));

/** Radios whose volts are known: with a run on the way that is not entered nothing is said of them. */
function knownRadios({ parts, facts }: CheckedHarness): number {
  const figures = cableRunFigures(parts, facts.flow);
  return facts.radios.filter(({ part }) => {
    const volts = figures.get(part)?.keyDownV;
    return volts !== null && volts !== undefined;
  }).length;
}

const isStop = ({ severity }: Check): boolean => severity === 'stop';
const placeOf = ({ rule, part }: Check): string => `${rule} ${part}`;
const sameRule = (one: Check, other: Check): boolean => placeOf(one) === placeOf(other);
