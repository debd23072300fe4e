import {
  connectionOrder,
  disconnectionOrder,
  forecast,
  runFigures,
  runLabel,
  type Check,
  type HarnessPart,
  type OrderStep,
  type RunFigures,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lookUp } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { expectedReadings, type ExpectedReadings } from './expected-readings.js';
import { checkedHarness } from './harness-checks.js';

/** A run of the harness with what flows through it. */
export interface ReportedRun extends RunFigures {
  /** The part that it leads to. */
  readonly part: string;
  /** For example "Shale 18 to Curlew 10". */
  readonly label: string;
}

/** How a trip's kit is wired, what flows where, what is wrong with it, and in which order it is joined. */
export interface HarnessReport {
  readonly parts: readonly HarnessPart[];
  readonly runs: readonly ReportedRun[];
  readonly checks: readonly Check[];
  readonly joining: readonly OrderStep[];
  readonly parting: readonly OrderStep[];
  readonly expected: ExpectedReadings;
  /** Why there are no currents, where the plan cannot be reckoned. */
  readonly unreckoned: string | null;
}

/** Looks at a trip's wiring. Any kit gives a report: what cannot be reckoned is left open and said. */
export function harnessReport(trip: Trip, shelf: readonly Gear[]): HarnessReport {
  const { carried } = lookUp(trip, shelf);
  const plan = resolve(trip, shelf);
  const run = plan.ok ? forecast(plan.value) : null;
  const { parts, facts, checks } = checkedHarness(trip, carried, run);
  const figures = runFigures(parts, facts.flow);
  return {
    parts,
    runs: parts.flatMap((part) => {
      const run = figures.get(part.id);
      return run ? [{ part: part.id, label: runLabel(parts, part), ...run }] : [];
    }),
    checks,
    joining: connectionOrder(parts),
    parting: disconnectionOrder(parts),
    expected: expectedReadings(trip, carried, run, facts.flow),
    unreckoned: plan.ok ? null : plan.problems[0].sentence,
  };
}
