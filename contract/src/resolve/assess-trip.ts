import {
  assessInParts,
  atOnce,
  forecast,
  type Assessment,
  type InParts,
  type PlanMark,
  type Problem,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { checkedHarness, wireSays, type WireSays } from '../harness/harness-checks.js';
import { isBatteryAllowed } from './allowed-battery.js';
import { lookUp } from './look-up.js';
import { MISSING, missingIn, type Missing } from './missing.js';
import { markWithWire } from './plan-findings.js';
import { resolve } from './resolve.js';

/** How a trip stands, as every room, the list of trips, the terminal and the card say it. */
export interface TripAssessment {
  readonly status: PlanMark;
  /** Null where something is missing, or the plan cannot be calculated. */
  readonly found: Assessment | null;
  /** What Wire says of it; null where nothing was found. */
  readonly wire: WireSays | null;
  readonly missing: readonly Missing[];
  /** Why it cannot be calculated, where nothing is missing. */
  readonly problems: readonly Problem[];
}

/** Looks at a trip in full: what is missing, else its chance and its typical outing. */
export const assessTrip = (trip: Trip, shelf: readonly Gear[]): TripAssessment =>
  atOnce(assessTripInParts(trip, shelf));

/** The same, a few samples a part. */
export function* assessTripInParts(trip: Trip, shelf: readonly Gear[]): InParts<TripAssessment> {
  const missing = missingIn(trip, shelf);
  if (missing.length > 0) return { status: 'unknown', found: null, wire: null, missing, problems: [] };
  const plan = resolve(trip, shelf);
  if (!plan.ok) return { status: 'stop', found: null, wire: null, missing, problems: plan.problems };
  const assessed = yield* assessInParts(plan.value);
  const { wouldDoAh, ...rest } = assessed;
  const isOffered = typeof wouldDoAh !== 'number' || isBatteryAllowed(trip, shelf, assessed.run, wouldDoAh);
  const found: Assessment = isOffered ? assessed : rest;
  // The march that Wire itself reads, so that every room counts the same findings.
  const wire = wireSays(checkedHarness(trip, lookUp(trip, shelf).carried, forecast(plan.value)).checks);
  return { status: markWithWire(found.mark, wire), found, wire, missing, problems: [] };
}

/** What is missing, in sentences that ask for it. */
export const sayMissing = (missing: readonly Missing[]): string =>
  missing.map((what) => MISSING[what]).join(' ');
