import { HOUR_MS, onAir, type PlanInput, type ReadingSource } from '@knapsack/core';
import type { SourceAside, ToldBy } from '../documents/debrief-notes.js';
import type { LogEntry, ReadingEntry } from '../documents/log.js';
import { stretchesIn } from './entries-of-contacts.js';

/** Who tells an entry; null for what is nobody's reading. */
function toldBy(entry: LogEntry): ToldBy | null {
  if (entry.kind === 'reading' || entry.kind === 'reset') return entry.source ?? 'typed';
  return entry.kind === 'contacts' || entry.kind === 'work' ? entry.kind : null;
}

/** The entries of a log without those of sources that were set aside. */
export function withoutAside(
  standing: readonly LogEntry[],
  aside: readonly SourceAside[],
): readonly LogEntry[] {
  const gone = new Set<ToldBy | null>(aside.map(({ source }) => source));
  return gone.size === 0 ? standing : standing.filter((entry) => !gone.has(toldBy(entry)));
}

/** Hours of the blocks that the first operating position has worked. */
export const workedHours = ({ blocks }: Pick<PlanInput, 'blocks'>): number =>
  blocks.reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0) / HOUR_MS;

/** What a source says of the whole outing. */
export interface SourceSays {
  readonly source: ToldBy;
  /** Ah that the loads took, or hours on the air. */
  readonly value: number;
}

/** Two sources that cannot both be right. */
export interface Disagreement {
  readonly of: 'charge' | 'hours';
  readonly says: readonly [SourceSays, SourceSays];
}

/** Counters differ by their gains and their last digits; more than this is no error of theirs. Source: convention of this project. */
const CHARGE_SHARE = 0.05;
const CHARGE_AH = 0.1;
/** One is not on the air between the last contact and the stop. */
const HOURS_SHARE = 0.25;
const HOURS = 0.5;
/** Readings so far apart tell of different hours. */
const SAME_TIME_MS = HOUR_MS;

/**
 * Sources that disagree on what the loads took or on the hours worked.
 *
 * @param standing entries of a log that stand, in the order of time
 * @param hasPanel a battery monitor counts what the panel spares the battery too: it tells of something else then
 * @param notedHours by the work that was noted
 */
export function disagreements(
  standing: readonly LogEntry[],
  hasPanel: boolean,
  notedHours: number,
): readonly Disagreement[] {
  const counted = countedBy(standing).filter(({ source }) => !hasPanel || source !== 'monitor');
  const pairs = counted.flatMap((one, place) =>
    counted.slice(place + 1).map((other): readonly [Counted, Counted] => [one, other]),
  );
  const charge = pairs
    .filter(
      ([one, other]) =>
        Math.abs(one.atMs - other.atMs) <= SAME_TIME_MS &&
        Math.abs(one.value - other.value) > CHARGE_AH + CHARGE_SHARE * Math.max(one.value, other.value),
    )
    .map(([one, other]): Disagreement => ({ of: 'charge', says: [asSays(one), asSays(other)] }));
  const byContacts = onAir(stretchesIn(standing)).hours;
  const noted = standing.some(({ kind }) => kind === 'work');
  const differ = Math.abs(byContacts - notedHours);
  const hours: readonly Disagreement[] =
    noted && byContacts > 0 && differ > HOURS + HOURS_SHARE * Math.max(byContacts, notedHours)
      ? [
          {
            of: 'hours',
            says: [
              { source: 'work', value: notedHours },
              { source: 'contacts', value: byContacts },
            ],
          },
        ]
      : [];
  return [...charge, ...hours];
}

interface Counted extends SourceSays {
  readonly source: ReadingSource;
  /** When it was read last. */
  readonly atMs: number;
}

const asSays = ({ source, value }: Counted): SourceSays => ({ source, value });

/** What each counter of charge has counted over all, Ah: over its resets. */
function countedBy(standing: readonly LogEntry[]): readonly Counted[] {
  const counted = new Map<ReadingSource, { before: number; since: number; atMs: number }>();
  for (const entry of standing) {
    if (entry.kind === 'reset') {
      const known = counted.get(entry.source ?? 'typed');
      if (known) [known.before, known.since] = [known.before + known.since, 0];
    } else if (isCount(entry)) {
      const { source = 'typed', outAh, at } = entry;
      const { before = 0 } = counted.get(source) ?? {};
      counted.set(source, { before, since: outAh, atMs: Date.parse(at) });
    }
  }
  return [...counted].map(([source, { before, since, atMs }]) => ({ source, value: before + since, atMs }));
}

const isCount = (entry: LogEntry): entry is ReadingEntry & { readonly outAh: number } =>
  entry.kind === 'reading' && entry.outAh !== undefined;
