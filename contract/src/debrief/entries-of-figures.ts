import { fail, HOUR_MS, sayDuration, succeed, type Result, type Span } from '@knapsack/core';
import type { LogEntry } from '../documents/log.js';
import type { Mode } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import { expandBlocks, positionOf } from '../resolve/expand-blocks.js';

/** What somebody remembers of an outing: "7.4 Ah in 5 h 20, 40 contacts". Null for what nobody knows. */
export interface TypedOuting {
  /** What the loads took, Ah. */
  readonly usedAh: number | null;
  /** On the air. */
  readonly hours: number | null;
  readonly contacts: number | null;
}

const CHARGE = 'typed-charge-';
const HOURS = 'typed-hours-';

/**
 * Entries of a log that say what somebody remembers: the charge as a meter's count at the end; the hours on the air as stretches of
 * contacts in the blocks of the plan, in their order, the last of them shorter or longer. What was typed so before is replaced.
 *
 * @param standing entries that stand
 * @param nowMs UTC epoch ms
 * @param newKey a new part of an id for each
 */
export function entriesOfFigures(
  trip: Trip,
  { usedAh, hours, contacts }: TypedOuting,
  standing: readonly LogEntry[],
  nowMs: number,
  newKey: () => string,
): Result<readonly LogEntry[]> {
  const [startMs, endMs] = [Date.parse(trip.start), Date.parse(trip.end)];
  if (usedAh === null && hours === null && contacts === null) {
    return refuse('Type the charge that was used, or the hours on the air.');
  }
  if (contacts !== null && hours === null) {
    return refuse(
      'Type the hours on the air too: contacts tell something only with the time that they took.',
    );
  }
  if (nowMs < startMs) return refuse(`${trip.name} has not happened yet: it begins later than today.`);
  if (hours !== null && hours * HOUR_MS > endMs - startMs) {
    const words = sayDuration((endMs - startMs) / HOUR_MS);
    return refuse(`${trip.name} lasts ${words}: ${sayDuration(hours)} on the air do not fit into it.`);
  }
  if (usedAh !== null && standing.some((entry) => isTypedReset(entry))) {
    return refuse('The log says that a meter was reset: enter in Field what it shows, and it is added up.');
  }
  const charge = (): LogEntry => ({
    ...{ id: `${CHARGE}${newKey()}`, at: iso(endMs), kind: 'reading', state: 'off' },
    outAh: usedAh!,
  });
  const worked = (): readonly LogEntry[] =>
    sharedOut(stretchesFor(trip, hours!), contacts ?? 0).map(({ startMs: from, endMs: to, mode, count }) => ({
      ...{ id: `${HOURS}${newKey()}`, at: iso(from), kind: 'contacts', until: iso(to), count },
      ...(mode && { mode }),
    }));
  return succeed([
    ...(usedAh === null ? [] : [...takenBack(standing, CHARGE, newKey), charge()]),
    ...(hours === null ? [] : [...takenBack(standing, HOURS, newKey), ...worked()]),
  ]);
}

const isTypedReset = ({ kind, source = 'typed' }: LogEntry): boolean =>
  kind === 'reset' && source === 'typed';

const takenBack = (
  standing: readonly LogEntry[],
  prefix: string,
  newKey: () => string,
): readonly LogEntry[] =>
  standing
    .filter(({ id }) => id.startsWith(prefix))
    .map((entry) => ({ ...entry, id: `${prefix}${newKey()}`, replaces: entry.id, void: true }));

interface Stretch extends Span {
  readonly mode: Mode | null;
}

/** The blocks of the plan up to so many hours; what is more goes on after the last, or where that is too late ends with the outing. */
function stretchesFor(trip: Trip, hours: number): readonly Stretch[] {
  const [startMs, endMs] = [Date.parse(trip.start), Date.parse(trip.end)];
  let leftMs = hours * HOUR_MS;
  const stretches: { startMs: number; endMs: number; mode: Mode | null }[] = [];
  for (const one of expandBlocks(trip).filter(({ block }) => positionOf(block) === 1)) {
    if (leftMs <= 0) break;
    const until = Math.min(one.endMs, one.startMs + leftMs);
    stretches.push({ startMs: one.startMs, endMs: until, mode: one.block.mode });
    leftMs -= until - one.startMs;
  }
  const last = stretches.at(-1);
  if (leftMs <= 0) return stretches;
  if (last && last.endMs + leftMs <= endMs) {
    last.endMs += leftMs;
    return stretches;
  }
  return [{ startMs: Math.max(startMs, endMs - hours * HOUR_MS), endMs, mode: last?.mode ?? null }];
}

/** Contacts over stretches by their length, none lost. */
function sharedOut(
  stretches: readonly Stretch[],
  contacts: number,
): readonly (Stretch & { count: number })[] {
  const all = stretches.reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0);
  let doneMs = 0;
  let given = 0;
  return stretches.map((stretch) => {
    doneMs += stretch.endMs - stretch.startMs;
    const upTo = Math.round((contacts * doneMs) / all);
    const count = upTo - given;
    given = upTo;
    return { ...stretch, count };
  });
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();

const refuse = (sentence: string): Result<never> => fail({ code: 'typed-outing', sentence });
