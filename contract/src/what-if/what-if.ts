import { atOnce, forecast, type InParts, type Sum } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { resolve } from '../resolve/resolve.js';
import { failuresInParts, type Failure } from './failures.js';
import { fixesInParts, type Fix } from './fixes.js';
import { leftAlone, type LeftAlone } from './left-alone.js';
import { aloneSum, failuresSum, cableRunsSum } from './what-if-sums.js';

/** What a plan would be if something were otherwise. */
export interface WhatIf {
  readonly fixes: readonly Fix[];
  readonly failures: readonly Failure[];
  readonly alone: LeftAlone;
  readonly sums: { readonly failures: Sum; readonly alone: Sum; readonly runs: Sum };
}

/** Looks at a plan from its other sides; null where it cannot be calculated as it is. */
export const whatIf = (trip: Trip, shelf: readonly Gear[]): WhatIf | null =>
  atOnce(whatIfInParts(trip, shelf));

/** The same in parts: it calculates dozens of plans, of a month for seconds. */
export function* whatIfInParts(trip: Trip, shelf: readonly Gear[]): InParts<WhatIf | null> {
  const plan = resolve(trip, shelf);
  if (!plan.ok) return null;
  const failed = yield* failuresInParts(trip, shelf);
  const alone = leftAlone(trip, plan.value, forecast(plan.value).verdict);
  return {
    fixes: yield* fixesInParts(trip, shelf),
    failures: failed,
    alone,
    sums: {
      failures: failuresSum(failed, trip.place.timeZone),
      alone: aloneSum(alone),
      runs: cableRunsSum(harnessReport(trip, shelf).runs),
    },
  };
}
