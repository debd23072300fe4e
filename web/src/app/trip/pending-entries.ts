import { signal } from '@angular/core';
import type { LogEntry } from '@knapsack/contract';
import { THIS_TAB } from './draft-box';

const PREFIX = 'knapsack.log-pending.';

/**
 * Entries of a log that the server does not have yet, kept in this browser: each tab under a name of its own, so that two never
 * overwrite each other. To send an entry twice does no harm, so that whoever opens the trip sends what any tab has left.
 */
export class PendingEntries {
  /** The browser keeps nothing: its storage is full or forbidden. */
  readonly failing = signal(false);
  private readonly own: string;

  constructor(
    private readonly trip: string,
    tab: string = THIS_TAB,
  ) {
    this.own = `${PREFIX}${trip}.${tab}`;
  }

  /** What this tab has not sent, and what any other has not. */
  all(): readonly LogEntry[] {
    const found = this.keys().flatMap(read);
    return [...new Map(found.map((entry) => [entry.id, entry])).values()];
  }

  /** This tab's own, as it stands now. */
  keep(entries: readonly LogEntry[]): void {
    try {
      if (entries.length === 0) localStorage.removeItem(this.own);
      else localStorage.setItem(this.own, JSON.stringify(entries));
      this.failing.set(false);
    } catch {
      this.failing.set(entries.length > 0);
    }
  }

  /** Lets go of what any tab has kept and the server has. */
  arrived(ids: ReadonlySet<string>): void {
    for (const key of this.keys()) {
      const left = read(key).filter(({ id }) => !ids.has(id));
      try {
        if (left.length === 0) localStorage.removeItem(key);
        else localStorage.setItem(key, JSON.stringify(left));
      } catch {
        // It is sent once more, and does no harm.
      }
    }
  }

  private keys(): readonly string[] {
    try {
      return Object.keys(localStorage).filter((key) => key.startsWith(`${PREFIX}${this.trip}.`));
    } catch {
      return [];
    }
  }
}

function read(key: string): readonly LogEntry[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return Array.isArray(kept) ? (kept as readonly LogEntry[]) : [];
  } catch {
    return [];
  }
}
