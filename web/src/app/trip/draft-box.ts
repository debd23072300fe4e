import { signal } from '@angular/core';
import type { Trip } from '@knapsack/contract';
import { LargeDrafts } from './large-drafts';

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

/** A draft and when it was kept, UTC epoch ms. */
type Kept = Draft & { readonly at?: number };

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
 * Keeps unsaved trips in this browser, each tab its own, so that a reload, a stopped server or another tab loses nothing:
 * in localStorage, which has them before the page goes, and where that is full in IndexedDB, which holds more. A tab
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
    private readonly large = new LargeDrafts<Kept>(),
  ) {
    void this.locks
      ?.request(TAB_LOCK + tab, () => new Promise<never>(() => undefined))
      .catch(() => undefined);
  }

  keep(draft: Draft): void {
    const key = this.keyOf(draft.trip.id);
    const kept: Kept = { ...draft, at: Date.now() };
    this.memory.set(key, draft);
    try {
      localStorage.setItem(key, JSON.stringify(kept));
      this.failing.set(false);
    } catch {
      this.failing.set(true);
      remove(key);
      void this.large.put(key, kept).then((isKept) => {
        if (isKept && this.memory.get(key) === draft) this.failing.set(false);
      });
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
    const isLeft = (key: string) =>
      key === PREFIX + id ||
      (key.startsWith(`${PREFIX}${id}.`) && (key === own || !open.has(key.split('.').at(-1)!)));
    const found = new Map<string, Kept>((await this.large.all()).filter(([key]) => isLeft(key)));
    for (const key of keysOfStorage().filter(isLeft)) {
      const draft = read(key);
      // One that was too large once and fits again stands in both: the later one is meant.
      if (draft && (draft.at ?? 0) >= (found.get(key)?.at ?? 0)) found.set(key, draft);
    }
    const mine = this.memory.get(own);
    if (mine && !found.has(own)) found.set(own, mine);
    const kept = [...found].map(([key, draft]) => ({ ...draft, key }));
    return kept.sort((a, b) => (a.at ?? 0) - (b.at ?? 0)).map(({ at: _at, ...draft }) => draft);
  }

  /** Lets this tab's own go, or one that was left. */
  drop(id: string, key = this.keyOf(id)): void {
    this.memory.delete(key);
    remove(key);
    void this.large.drop(key);
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

function remove(key: string): void {
  try {
    localStorage.removeItem(key);
  } catch {
    // What cannot be kept cannot be there.
  }
}

function read(key: string): Kept | null {
  try {
    const text = localStorage.getItem(key);
    return text === null ? null : (JSON.parse(text) as Kept);
  } catch {
    return null;
  }
}

/** The drafts of this tab. */
export const draftBox = new DraftBox(crypto.randomUUID());
