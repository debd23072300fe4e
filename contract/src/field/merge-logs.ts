import type { LogDocument, LogEntry } from '../documents/log.js';
import { inOrderOfTime } from './standing.js';

/**
 * Two logs of one outing as one: every entry of either, each once, in the order of time. It does not matter which comes first, nor
 * how often they are joined. An entry never changes, so that one id stands for one entry; should two differ all the same, both
 * sides choose the same one.
 */
export function mergeLogs(log: LogDocument, other: LogDocument): LogDocument {
  const byId = new Map<string, LogEntry>();
  for (const entry of [...log.entries, ...other.entries]) {
    const known = byId.get(entry.id);
    if (!known || wordsOf(entry) > wordsOf(known)) byId.set(entry.id, entry);
  }
  return { ...log, entries: [...byId.values()].sort(inOrderOfTime) };
}

/** An entry in words that do not depend on the order of its fields. */
const wordsOf = (entry: LogEntry): string =>
  JSON.stringify(Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1)));

/** Adds entries to a log. */
export const withEntries = (log: LogDocument, ...entries: readonly LogEntry[]): LogDocument =>
  mergeLogs(log, { ...log, entries });
