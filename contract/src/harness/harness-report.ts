import {
  cautions,
  connectionOrder,
  disconnectionOrder,
  forecast,
  cableRunFigures,
  cableRunLabel,
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
import { checkedHarness } from './harness-checks.js';

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
  readonly joining: readonly OrderStep[];
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
  return {
    parts,
    runs: parts.flatMap((part) => {
      const run = figures.get(part.id);
      return run ? [{ part: part.id, label: cableRunLabel(parts, part), ...run }] : [];
    }),
    checks: checks.map((check) => withSureRemedy(trip, shelf, carried, calculated, checks, check)),
    joining: connectionOrder(parts, orderFacts(facts)),
    parting: disconnectionOrder(parts),
    expected: expectedReadings(trip, carried, parts, calculated, facts.flow),
    cautions: cautionsOf(carried),
    uncalculated: plan.ok ? null : plan.problems[0].sentence,
  };
}

/** What to look out for in the work with these batteries; what the site asks for stands in site/. */
const cautionsOf = (carried: readonly Carried[]): readonly string[] => [
  ...new Set(batteryPieces(carried).flatMap(({ gear }) => cautions(gear.chemistry))),
];

/** What the order of connecting depends on besides the parts. */
const orderFacts = ({ packs, inParallel }: HarnessFacts): OrderFacts =>
  packs.length < 2
    ? {}
    : {
        batteries: inParallel ? 'parallel' : 'turns',
        fullByCharger: packs.some(({ chemistry }) => chemistry === 'lifepo4'),
        isMixed: new Set(packs.map(({ chemistry }) => chemistry)).size > 1,
      };

/** Rules whose remedy is looked at along the runs already (see runChecks). */
const isSure = ({ on, part, remedy }: Check): boolean => on === 'run' || part === null || !remedy;

/** A check with its remedy, where that mends it and stops nothing that was not stopped; else without. */
function withSureRemedy(
  trip: Trip,
  shelf: readonly Gear[],
  carried: readonly Carried[],
  run: Forecast | null,
  before: readonly Check[],
  check: Check,
): Check {
  if (isSure(check)) return check;
  const { remedy, ...bare } = check;
  const mended = applyRemedy(trip, shelf, check.part!, remedy!, 'put-in');
  // Another place for the radio is another plan.
  const plan = remedy!.offTerminals ? resolve(mended, shelf) : null;
  const { checks } = checkedHarness(mended, carried, plan ? (plan.ok ? forecast(plan.value) : null) : run);
  const stops = new Set(before.filter(isStop).map(placeOf));
  const heals = !checks.some((after) => placeOf(after) === placeOf(check));
  return heals && checks.filter(isStop).every((stop) => stops.has(placeOf(stop))) ? check : bare;
}

const isStop = ({ severity }: Check): boolean => severity === 'stop';
const placeOf = ({ rule, part }: Check): string => `${rule} ${part}`;
