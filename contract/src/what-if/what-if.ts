import { forecast, type Sum } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { resolve } from '../resolve/resolve.js';
import { failures, type Failure } from './failures.js';
import { fixes, type Fix } from './fixes.js';
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
export function whatIf(trip: Trip, shelf: readonly Gear[]): WhatIf | null {
  const plan = resolve(trip, shelf);
  if (!plan.ok) return null;
  const failed = failures(trip, shelf);
  const alone = leftAlone(trip, plan.value, forecast(plan.value).verdict);
  return {
    fixes: fixes(trip, shelf),
    failures: failed,
    alone,
    sums: {
      failures: failuresSum(failed, trip.place.timeZone),
      alone: aloneSum(alone),
      runs: cableRunsSum(harnessReport(trip, shelf).runs),
    },
  };
}
