import {
  daysWithoutSun,
  monthsOfLoad,
  worstMonth,
  type MonthOfLoad,
  type PlanInput,
  type Verdict,
} from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import { usualSkyOf } from '../resolve/sky-of.js';

/** How the trip's mean load would go on without anybody there. */
export interface LeftAlone {
  readonly meanA: number;
  /** Days without any sun, d; Infinity for more than sixty. */
  readonly darkDays: number;
  /** Each month of the year under its climate's usual sky; none without a panel. */
  readonly months: readonly MonthOfLoad[];
  readonly worst: MonthOfLoad | null;
}

/** The mean load of a plan left alone: without sun, and in each month. */
export function leftAlone(trip: Trip, plan: PlanInput, { meanA }: Verdict): LeftAlone {
  const months = monthsOfLoad(plan, meanA, usualSkyOf(trip));
  return {
    meanA,
    darkDays: daysWithoutSun(plan, meanA),
    months,
    worst: months.length > 0 ? worstMonth(months) : null,
  };
}
