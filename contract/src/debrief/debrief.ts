import {
  CALLING_SHARE,
  dutyOfContacts,
  fail,
  HOUR_MS,
  MODE_NAMES,
  onAir,
  secondsSent,
  sharesOf,
  succeed,
  waterfall,
  weightedMean,
  type Contact,
  type MeanAndSpread,
  type Mode,
  type OnAir,
  type PlanInput,
  type Result,
  type Waterfall,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { LogDocument } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { standingEntries } from '../field/standing.js';
import { whatNow, type WhatNow } from '../field/what-now.js';
import { resolve } from '../resolve/resolve.js';
import { contactBlocks, contactsWithin } from './contact-blocks.js';

/** Points of the charge that are told at the most. */
const MOST_POINTS = 120;

/** What is known of an outing besides its log. */
export interface DebriefSources {
  readonly contacts?: readonly Contact[];
  /** Between contacts the operator calls. */
  readonly calling?: boolean;
}

/** What really happened in an outing, and why it differs from what was planned. */
export interface Debrief {
  readonly waterfall: Waterfall;
  readonly planned: PlanInput;
  /** How it stood at its end, with what was learned. */
  readonly now: WhatNow;
  /** How likely the loads were carried to the end, 0 to 1. */
  readonly lasted: number;
  /** Up to when something is known: the rest is as planned. UTC epoch ms. */
  readonly lastKnownMs: number;
  /** By the contact log; null without one. */
  readonly onAir: OnAir | null;
  /** The duty cycle that the contacts tell, by mode. */
  readonly duties: ReadonlyMap<Mode, MeanAndSpread>;
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
  { contacts = [], calling = false }: DebriefSources = {},
): Result<Debrief> {
  const { within, others } = contactsWithin(trip, contacts);
  const standing = standingEntries(log);
  if (standing.length === 0 && within.length === 0) {
    return refuse(
      `Nothing is known of what happened in ${trip.name}: its log is empty${contacts.length > 0 ? ', and no contact is of its hours' : ''}.`,
    );
  }
  const planned = resolve(trip, shelf);
  if (!planned.ok) return planned;
  const byContacts = within.length > 0 && standing.every(({ kind }) => kind !== 'work');
  const worked = byContacts ? { ...trip, blocks: contactBlocks(trip, within) } : trip;
  const told = within.length > 0 ? onAir(within) : null;
  const duties = told ? dutiesOf(told, calling) : new Map<Mode, MeanAndSpread>();
  const { startMs, endMs } = planned.value.outing;
  const standEveryMs = Math.max(HOUR_MS, (endMs - startMs) / MOST_POINTS);
  const now = whatNow(worked, log, shelf, endMs, { duties, standEveryMs });
  if (!now.ok) return now;
  const { march } = now.value.followed;
  const known = [...standing.map(({ at }) => Date.parse(at)), ...within.map(({ timeMs }) => timeMs)];
  return succeed({
    waterfall: waterfall(planned.value, now.value.followed),
    planned: planned.value,
    now: now.value,
    lasted: weightedMean(Float64Array.from(march.particles.isOn), sharesOf(march.particles.weight)).mean,
    lastKnownMs: Math.min(endMs, Math.max(startMs, ...known)),
    onAir: told,
    duties,
    notes: [
      ...(byContacts
        ? ['The hours worked are those of the contact log: the log of the outing says nothing of work.']
        : []),
      ...(others > 0
        ? [
            `${others === 1 ? '1 contact is' : `${others} contacts are`} of another time than this outing and left out.`,
          ]
        : []),
    ],
  });
}

/** The duty cycle by mode, where a rule knows the mode. */
function dutiesOf({ byMode }: OnAir, calling: boolean): ReadonlyMap<Mode, MeanAndSpread> {
  const duties = new Map<Mode, MeanAndSpread>();
  for (const mode of MODE_NAMES) {
    const perHour = byMode.get(mode)?.perHour ?? null;
    const seconds = secondsSent(mode);
    if (perHour === null || seconds === null) continue;
    duties.set(mode, dutyOfContacts(perHour, seconds, calling ? CALLING_SHARE : 0));
  }
  return duties;
}

const refuse = (sentence: string): Result<never> => fail({ code: 'debrief', sentence });
