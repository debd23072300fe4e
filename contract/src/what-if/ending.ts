import {
  chanceOf,
  forecast,
  HOUR_MS,
  planMark,
  type Chance,
  type PlanInput,
  type Verdict,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from '../resolve/resolve.js';

/** Outings longer than this are looked at in coarse steps, since many of them are. */
const LONG_MS = 4 * 24 * HOUR_MS;

function planOf(trip: Trip, shelf: readonly Gear[]): PlanInput | null {
  const isLong = Date.parse(trip.end) - Date.parse(trip.start) > LONG_MS;
  const plan = resolve(isLong ? { ...trip, stepMinutes: 15 } : trip, shelf);
  return plan.ok ? plan.value : null;
}

/** How the typical outing of a changed trip would end; null where it cannot be calculated. */
export function endingOf(trip: Trip, shelf: readonly Gear[]): Verdict | null {
  const plan = planOf(trip, shelf);
  return plan && forecast(plan).verdict;
}

/** A changed trip's chance, and whether its mark would be other than a stop and its target met. */
export interface Prospect {
  readonly chance: Chance;
  readonly holds: boolean;
}

/** How likely a changed trip lasts; null where it cannot be calculated. */
export function prospectOf(trip: Trip, shelf: readonly Gear[]): Prospect | null {
  const plan = planOf(trip, shelf);
  if (!plan) return null;
  const chance = chanceOf(plan);
  const mark = planMark(forecast(plan).verdict, chance);
  return { chance, holds: mark !== 'stop' && chance.chance >= chance.target };
}
