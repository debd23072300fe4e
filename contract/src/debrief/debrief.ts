import {
  CALLING_SHARE,
  chanceCarried,
  dutyOfContacts,
  fail,
  HOUR_MS,
  MODE_NAMES,
  onAir,
  secondsSent,
  succeed,
  waterfall,
  type ActivityName,
  type MeanAndSpread,
  type Mode,
  type OnAir,
  type PlanInput,
  type Result,
  type Waterfall,
} from '@knapsack/core';
import type { SecondsSent, SourceAside } from '../documents/debrief-notes.js';
import type { Gear } from '../documents/gear.js';
import type { LogDocument } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { standingEntries } from '../field/standing.js';
import { whatNow, type WhatNow } from '../field/what-now.js';
import { expandBlocks } from '../resolve/expand-blocks.js';
import { resolve } from '../resolve/resolve.js';
import { contactBlocks } from './contact-blocks.js';
import { correctionsOf, type Correction } from './corrections.js';
import { endedOf, type Ended } from './ended.js';
import { stretchesIn } from './entries-of-contacts.js';
import { knownBefore } from './known-before.js';
import { withoutAside } from './sources.js';

/** Points of the charge that are told at the most. */
const MOST_POINTS = 120;

export interface DebriefOptions {
  /** Between contacts the operator calls, or does not; if absent where the plan says so: calling and running stations, or a contest. */
  readonly calling?: boolean;
  /** Seconds sent for a contact where they are not as usual. */
  readonly seconds?: readonly SecondsSent[];
  /** What is not weighed: another source was chosen. */
  readonly aside?: readonly SourceAside[];
}

/** What really happened in an outing, and why it differs from what was planned. */
export interface Debrief {
  readonly waterfall: Waterfall;
  readonly planned: PlanInput;
  /** How it stood at its end, with what was learned. */
  readonly now: WhatNow;
  /** How likely the loads were carried to the end, 0 to 1. */
  readonly lasted: number;
  readonly ended: Ended;
  /** Up to when something is known: the rest is as planned. UTC epoch ms. */
  readonly lastKnownMs: number;
  /** By the contact log; null without one. */
  readonly onAir: OnAir | null;
  /** The duty cycle that the contacts tell, by mode. */
  readonly duties: ReadonlyMap<Mode, MeanAndSpread>;
  /** The gear as it was known before the outing. */
  readonly shelf: readonly Gear[];
  /** Figures of it that the outing has taught. */
  readonly corrections: readonly Correction[];
  /** What was left out or assumed, in sentences. */
  readonly notes: readonly string[];
}

/**
 * What really happened: planned and actual use of the battery, why they differ, and what that teaches. What was worked stands in the log; where it says nothing
 * of work and there is a contact log, in that.
 */
export function debriefOf(
  trip: Trip,
  log: LogDocument,
  shelf: readonly Gear[],
  { calling, aside = [], seconds = [] }: DebriefOptions = {},
): Result<Debrief> {
  const standing = withoutAside(standingEntries(log), aside);
  if (standing.length === 0) {
    return refuse(`Nothing is known of what happened in ${trip.name}: its log is empty.`);
  }
  const stretches = stretchesIn(standing);
  const then = shelfThen(trip, shelf);
  const planned = resolve(trip, then);
  if (!planned.ok) return planned;
  const byContacts = stretches.length > 0 && standing.every(({ kind }) => kind !== 'work');
  const worked = byContacts ? { ...trip, blocks: contactBlocks(trip, stretches) } : trip;
  const told = stretches.length > 0 ? onAir(stretches) : null;
  const duties = told ? dutiesOf(told, callsIn(trip, calling), seconds) : new Map<Mode, MeanAndSpread>();
  const { startMs, endMs } = planned.value.outing;
  const standEveryMs = Math.max(HOUR_MS, (endMs - startMs) / MOST_POINTS);
  const now = whatNow(worked, { ...log, entries: standing }, then, endMs, {
    ...{ duties, standEveryMs },
  });
  if (!now.ok) return now;
  const known = standing.map((entry) => Date.parse(entry.kind === 'contacts' ? entry.until : entry.at));
  const lastKnownMs = Math.min(endMs, Math.max(startMs, ...known));
  const lasted = chanceCarried(now.value.followed);
  return succeed({
    waterfall: waterfall(planned.value, now.value.followed),
    planned: planned.value,
    now: now.value,
    lasted,
    ended: endedOf(planned.value, now.value, lasted, lastKnownMs),
    lastKnownMs,
    onAir: told,
    duties,
    shelf: then,
    corrections: correctionsOf({ now: now.value, lastKnownMs }, trip, then),
    notes: [
      ...(byContacts
        ? ['The hours worked are those of the contact log: the log of the outing says nothing of work.']
        : []),
    ],
  });
}

/** The gear that a trip is calculated with, as it was known before its outing. */
function shelfThen(trip: Trip, shelf: readonly Gear[]): readonly Gear[] {
  const here = new Set(shelf.map(({ id }) => id));
  const along = (trip.gear ?? []).filter(({ id }) => !here.has(id));
  return knownBefore([...along, ...shelf], trip);
}

/** Who does this calls between contacts. */
const CALLS: ReadonlySet<ActivityName> = new Set(['calling', 'contest']);

/** Of the hours in a mode, the share in which the operator calls between contacts, 0 to 1. */
const callsIn =
  (trip: Trip, calling?: boolean) =>
  (mode: Mode): number => {
    if (calling !== undefined) return calling ? 1 : 0;
    const hours = (some: ReturnType<typeof expandBlocks>) =>
      some.reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0);
    const all = expandBlocks(trip).filter(({ block }) => block.mode === mode);
    const inAll = hours(all);
    return inAll > 0 ? hours(all.filter(({ block }) => CALLS.has(block.activity))) / inAll : 0;
  };

/** The duty cycle by mode, where a rule knows the mode, or somebody has said how long is sent for a contact. */
function dutiesOf(
  { byMode }: OnAir,
  callsShare: (mode: Mode) => number,
  ownSeconds: readonly SecondsSent[],
): ReadonlyMap<Mode, MeanAndSpread> {
  const duties = new Map<Mode, MeanAndSpread>();
  for (const mode of MODE_NAMES) {
    const perHour = byMode.get(mode)?.perHour ?? null;
    const seconds = ownSeconds.find((one) => one.mode === mode)?.seconds ?? secondsSent(mode);
    if (perHour === null || seconds === null) continue;
    duties.set(mode, dutyOfContacts(perHour, seconds, CALLING_SHARE * callsShare(mode)));
  }
  return duties;
}

const refuse = (sentence: string): Result<never> => fail({ code: 'debrief', sentence });
