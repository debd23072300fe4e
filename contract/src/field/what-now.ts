import {
  ahead,
  fieldNow,
  succeed,
  type Ahead,
  type FieldNow,
  type FollowOptions,
  type PlanInput,
  type Result,
  type SkyNote,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { LogDocument, LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { fieldLog } from './field-log.js';
import { standingEntries } from './standing.js';
import { workedPlan } from './worked-plan.js';

/** How an outing stands now, by its trip and its log. */
export interface WhatNow extends FieldNow {
  /** As it was worked up to now and is planned from then on. */
  readonly plan: PlanInput;
  /** The entries that stand up to now, in the order of time. */
  readonly entries: readonly LogEntry[];
}

/**
 * How an outing stands and how it goes on.
 *
 * @param nowMs UTC epoch ms; what was written down later is not known yet
 */
export function whatNow(
  trip: Trip,
  log: LogDocument,
  shelf: readonly Gear[],
  nowMs: number,
  options: FollowOptions = {},
): Result<WhatNow> {
  const entries = standingEntries(log).filter(({ at }) => Date.parse(at) <= nowMs);
  const plan = workedPlan(trip, entries, shelf);
  if (!plan.ok) return plan;
  const now = fieldNow(plan.value, fieldLog(entries, plan.value), nowMs, options);
  return succeed({ ...now, plan: plan.value, entries });
}

/** How it goes on if the sky stays as it was last noted; null where nobody noted it, or nothing is left. */
export function underNotedSky({ followed, plan, entries }: WhatNow): Ahead | null {
  const noted = fieldLog(entries, plan).events.findLast((event): event is SkyNote => event.kind === 'sky');
  if (!noted || !plan.sun) return null;
  const { skyAt } = plan.sun;
  const { cloud, rain, fog } = noted;
  return ahead(followed, undefined, {
    skyAt: (timeMs) => ({ ...skyAt(timeMs), cloud, rain, fog, rainShare: 0 }),
    goesOn: true,
  });
}

/** Where more was read than is weighed: how much of it; empty where all is. */
export function sayWeighed({ entries, readings }: Pick<WhatNow, 'entries' | 'readings'>): string {
  const all = entries.filter(({ kind }) => kind === 'reading').length;
  const odd = readings.filter(({ fits, weighed }) => !fits && !weighed).length;
  const weighed = readings.filter((reading) => reading.weighed).length;
  if (weighed + odd >= all) return '';
  return `Of ${all} readings ${weighed} are weighed, spread over the outing: the others would tell little more.`;
}
