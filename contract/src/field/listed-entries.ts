import type { LogEntry } from '../documents/log.js';

/** Whether a person entered it, or corrected with it what an instrument sent. */
export const isByHand = ({ source = 'typed', replaces }: LogEntry): boolean =>
  source === 'typed' || replaces !== undefined;

/** An entry in a list, and how many earlier readings of its instrument it stands for. */
export interface ListedEntry {
  readonly entry: LogEntry;
  readonly earlier: number;
}

/**
 * The entries as a list shows them, the last first: all that a person entered; of each instrument its last reading, which stands for
 * those before it, and those that do not fit.
 *
 * @param standing in the order of time
 * @param isOdd whether a reading does not fit
 */
export function listedEntries(
  standing: readonly LogEntry[],
  isOdd: (id: string) => boolean,
): readonly ListedEntry[] {
  const isSent = (entry: LogEntry) => entry.kind === 'reading' && !isByHand(entry);
  const counts = new Map<LogEntry['source'], number>();
  for (const entry of standing) {
    if (isSent(entry)) counts.set(entry.source, (counts.get(entry.source) ?? 0) + 1);
  }
  const told = new Set<LogEntry['source']>();
  return standing.toReversed().flatMap((entry): readonly ListedEntry[] => {
    if (!isSent(entry)) return [{ entry, earlier: 0 }];
    if (told.has(entry.source)) return isOdd(entry.id) ? [{ entry, earlier: 0 }] : [];
    told.add(entry.source);
    return [{ entry, earlier: counts.get(entry.source)! - 1 }];
  });
}
