import {
  chanceInParts,
  forecast,
  HOUR_MS,
  planMark,
  type Chance,
  type Check,
  type InParts,
  type PlanInput,
  type Verdict,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { checkedHarness, wireSays } from '../harness/harness-checks.js';
import { lookUp } from '../resolve/look-up.js';
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

/** A changed trip's chance, when its typical outing ends, and whether its target is met and nothing says stop. */
export interface Prospect {
  readonly chance: Chance;
  /** UTC epoch ms; Infinity where it lasts. */
  readonly endMs: number;
  readonly holds: boolean;
  /** Stops of Wire in it. */
  readonly wireStops: readonly Check[];
}

/** How much better one prospect is than another: by its chance, where that is the same by its typical end. */
export const byProspect = (
  a: Pick<Prospect, 'chance' | 'endMs'>,
  b: Pick<Prospect, 'chance' | 'endMs'>,
): number => b.chance.chance - a.chance.chance || (a.endMs === b.endMs ? 0 : b.endMs - a.endMs);

/** How likely a changed trip lasts, a few samples a part; null where it cannot be calculated. */
export function* prospectInParts(trip: Trip, shelf: readonly Gear[]): InParts<Prospect | null> {
  const plan = planOf(trip, shelf);
  if (!plan) return null;
  const chance = yield* chanceInParts(plan);
  const run = forecast(plan);
  const { verdict } = run;
  const { stops } = wireSays(checkedHarness(trip, lookUp(trip, shelf).carried, run).checks);
  const mark = planMark(verdict, chance);
  return {
    chance,
    endMs: verdict.endMs ?? Infinity,
    holds: mark !== 'stop' && chance.chance >= chance.target,
    wireStops: stops,
  };
}
