import { forecast, HOUR_MS, type Verdict } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from '../resolve/resolve.js';

/** Outings longer than this are looked at in coarse steps, since many of them are. */
const LONG_MS = 4 * 24 * HOUR_MS;

/** How a changed trip would end; null where it cannot be reckoned. */
export function endingOf(trip: Trip, shelf: readonly Gear[]): Verdict | null {
  const isLong = Date.parse(trip.end) - Date.parse(trip.start) > LONG_MS;
  const plan = resolve(isLong ? { ...trip, stepMinutes: 15 } : trip, shelf);
  return plan.ok ? forecast(plan.value).verdict : null;
}

/** Whether a plan lasts and nothing about it says stop. */
export const holds = ({ lasts, findings }: Verdict): boolean =>
  lasts && findings.every(({ severity }) => severity !== 'stop');
