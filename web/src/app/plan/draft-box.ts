import { signal } from '@angular/core';
import type { Trip } from '@knapsack/contract';

/** A trip as it was typed, not yet taken by the server, and the revision it grew from. */
export interface Draft {
  readonly revision: number;
  readonly trip: Trip;
  /** The version of that revision, which both this one and another tab's grew from. */
  readonly base?: Trip;
  /** A version that was sent and whose answer has not come: the server may have it. */
  readonly sent?: Trip;
}

/** A draft that no open tab holds any more, and what it is kept under. */
export interface LeftDraft extends Draft {
  readonly key: string;
}

/** Whether two trips are the same document. */
export const sameTrip = (a: Trip, b: Trip): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Whether what the server has is what this browser sent last: the answer was lost, as by a reload, and
 * nobody else has written.
 */
export const isOurOwn = ({ trip, sent }: Pick<Draft, 'trip' | 'sent'>, stored: Trip): boolean =>
  sameTrip(stored, trip) || (sent !== undefined && sameTrip(stored, sent));

const PREFIX = 'knapsack.draft.';
const TAB_LOCK = 'knapsack.tab.';

/**
 * Keeps unsaved trips in this browser, each tab its own, so that a reload, a stopped server or another tab loses nothing. A tab
 * holds a lock of the browser's as long as it is open; what a tab without one has left is nobody's any more, and is taken up by
 * the next that opens the trip.
 */
export class DraftBox {
  /** The browser keeps nothing: its storage is full or forbidden. Then leaving the page would lose what is not saved. */
  readonly failing = signal(false);
  private readonly memory = new Map<string, Draft>();

  /** @param tab what tells this tab from all others */
  constructor(
    private readonly tab: string,
    private readonly locks: Pick<LockManager, 'query' | 'request'> | undefined = navigator.locks,
  ) {
    void this.locks
      ?.request(TAB_LOCK + tab, () => new Promise<never>(() => undefined))
      .catch(() => undefined);
  }

  keep(draft: Draft): void {
    const key = this.keyOf(draft.trip.id);
    this.memory.set(key, draft);
    try {
      localStorage.setItem(key, JSON.stringify({ ...draft, at: Date.now() }));
      this.failing.set(false);
    } catch {
      this.failing.set(true);
    }
  }

  /** This tab's own. */
  find(id: string): Draft | null {
    const key = this.keyOf(id);
    return this.memory.get(key) ?? read(key);
  }

  /** What was typed into a trip and not saved: this tab's own, and what tabs left that are closed; the oldest first. */
  async left(id: string): Promise<readonly LeftDraft[]> {
    const own = this.keyOf(id);
    const open = await this.openTabs();
    const keys = keysOfStorage().filter(
      (key) =>
        key === PREFIX + id ||
        (key.startsWith(`${PREFIX}${id}.`) && (key === own || !open.has(key.split('.').at(-1)!))),
    );
    const kept = keys.flatMap((key) => {
      const draft = read(key);
      return draft ? [{ ...draft, key }] : [];
    });
    const mine = this.memory.get(own);
    if (mine && !keys.includes(own)) kept.push({ ...mine, key: own });
    return kept.sort((a, b) => (a.at ?? 0) - (b.at ?? 0)).map(({ at: _at, ...draft }) => draft);
  }

  /** Lets this tab's own go, or one that was left. */
  drop(id: string, key = this.keyOf(id)): void {
    this.memory.delete(key);
    try {
      localStorage.removeItem(key);
    } catch {
      // What cannot be kept cannot be there.
    }
  }

  /** Lets a left one go that this tab keeps under its own name now. */
  release(id: string, key: string): void {
    if (key !== this.keyOf(id)) this.drop(id, key);
  }

  private keyOf(id: string): string {
    return `${PREFIX}${id}.${this.tab}`;
  }

  private async openTabs(): Promise<ReadonlySet<string>> {
    const held = (await this.locks?.query().catch(() => null))?.held ?? [];
    return new Set(held.map(({ name = '' }) => name.slice(TAB_LOCK.length)));
  }
}

function keysOfStorage(): readonly string[] {
  try {
    return Object.keys(localStorage);
  } catch {
    return [];
  }
}

function read(key: string): (Draft & { readonly at?: number }) | null {
  try {
    const text = localStorage.getItem(key);
    return text === null ? null : (JSON.parse(text) as Draft & { at?: number });
  } catch {
    return null;
  }
}

/** The drafts of this tab. */
export const draftBox = new DraftBox(crypto.randomUUID());
