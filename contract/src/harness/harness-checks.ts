import { checkHarness, type Check, type HarnessFacts, type HarnessPart } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import type { Carried } from '../resolve/look-up.js';
import { harnessFacts, type CalculatedTrip } from './harness-facts.js';
import { harnessOf } from './harness-of.js';

/** A harness and what every rule says of it. */
export interface CheckedHarness {
  readonly parts: readonly HarnessPart[];
  readonly facts: HarnessFacts;
  readonly checks: readonly Check[];
}

/** Holds a trip's wiring against every rule: Wire, Plan, Size and the terminal all ask here. */
export function checkedHarness(
  trip: Trip,
  carried: readonly Carried[],
  run: CalculatedTrip | null,
  withRemedies = false,
): CheckedHarness {
  const parts = harnessOf(trip, carried);
  const facts = harnessFacts(trip, carried, parts, run);
  return { parts, facts, checks: checkHarness(parts, facts, withRemedies) };
}

/** What Wire says of a plan that the other rooms have to know: its stops, and how many warnings there are besides. */
export interface WireSays {
  readonly stops: readonly Check[];
  readonly warnings: number;
}

export const wireSays = (checks: readonly Check[]): WireSays => ({
  stops: checks.filter(({ severity }) => severity === 'stop'),
  warnings: checks.filter(({ severity }) => severity === 'look').length,
});
