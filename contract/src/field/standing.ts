import type { LogDocument, LogEntry } from '../documents/log.js';

/** The order of entries: by time, those of one instant by their ids. */
export const inOrderOfTime = (a: LogEntry, b: LogEntry): number =>
  Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/**
 * The entries that stand, in the order of time: none that another replaces or takes back. Of several that replace the same one,
 * as when two devices corrected it apart, the one with the greatest id stands, on whichever device they meet.
 */
export function standingEntries({ entries }: Pick<LogDocument, 'entries'>): readonly LogEntry[] {
  const ids = new Set(entries.map(({ id }) => id));
  const chosen = new Map<string, LogEntry>();
  for (const entry of entries) {
    if (entry.replaces === undefined || !ids.has(entry.replaces)) continue;
    const other = chosen.get(entry.replaces);
    if (!other || other.id < entry.id) chosen.set(entry.replaces, entry);
  }
  return entries
    .filter(
      ({ id, replaces, void: takesBack }) =>
        !takesBack &&
        !chosen.has(id) &&
        (replaces === undefined || !ids.has(replaces) || chosen.get(replaces)!.id === id),
    )
    .toSorted(inOrderOfTime);
}
