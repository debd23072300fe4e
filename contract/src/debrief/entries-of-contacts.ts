import {
  fail,
  modeNameOf,
  stretchesOf,
  succeed,
  type Contact,
  type Mode,
  MODES,
  type Result,
  type ContactStretch,
} from '@knapsack/core';
import type { ContactsEntry, LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';

/** What a contact log comes to in the log of an outing. */
export interface ContactsTaken {
  readonly entries: readonly ContactsEntry[];
  /** Contacts of another time, which were left out. */
  readonly others: number;
}

/**
 * What the contacts of an outing come to in its log: a stretch of each mode and band without a pause. Taken in twice it does no harm.
 * Contacts of another time than the outing are left out.
 */
export function entriesOfContacts(
  { start, end, name }: Pick<Trip, 'start' | 'end' | 'name'>,
  contacts: readonly Contact[],
): Result<ContactsTaken> {
  const [startMs, endMs] = [Date.parse(start), Date.parse(end)];
  const within = contacts.filter(({ timeMs }) => timeMs >= startMs && timeMs <= endMs);
  if (within.length === 0) {
    const sentence = `No contact of this file is of the hours of ${name}. Nothing was taken in.`;
    return fail({ code: 'other-contacts', sentence });
  }
  const entries = stretchesOf(within).map((stretch): ContactsEntry => {
    const mode = modeNameOf(stretch);
    return {
      id: `contacts-${seconds(stretch.startMs)}-${seconds(stretch.endMs)}-${stretch.contacts}`,
      at: iso(stretch.startMs),
      kind: 'contacts',
      until: iso(Math.min(endMs, stretch.endMs)),
      count: stretch.contacts,
      ...(mode && { mode }),
      ...(stretch.band && { band: stretch.band }),
    };
  });
  return succeed({ entries, others: contacts.length - within.length });
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();
const seconds = (timeMs: number): string => Math.round(timeMs / 1000).toString(36);

/**
 * What takes back the contacts of an earlier file where a newer one is taken in, so that none counts twice.
 *
 * @param standing entries of the log that stand
 * @param taken those of the newer file
 * @param idOf a new id for each
 */
export function withoutEarlierContacts(
  standing: readonly LogEntry[],
  taken: readonly ContactsEntry[],
  idOf: () => string,
): readonly LogEntry[] {
  const ids = new Set(taken.map(({ id }) => id));
  return standing
    .filter((entry): entry is ContactsEntry => entry.kind === 'contacts' && !ids.has(entry.id))
    .map((entry) => ({ ...entry, id: idOf(), replaces: entry.id, void: true }));
}

/** The contacts of a log as stretches, in the order of time. */
export const stretchesIn = (standing: readonly LogEntry[]): readonly ContactStretch[] =>
  standing
    .filter((entry): entry is ContactsEntry => entry.kind === 'contacts')
    .map(({ at, until, count, mode = '', band = '' }) => ({
      ...{ startMs: Date.parse(at), endMs: Date.parse(until), contacts: count, band },
      ...{ mode: isMode(mode) ? mode : null, modeName: mode },
    }));

const isMode = (name: string): name is Mode => Object.hasOwn(MODES, name);
