import { signal } from '@angular/core';
import { upToDate, type Trip } from '@knapsack/contract';
import { newKey } from '../data/new-id';
import { DeviceStore } from '../data/device-store';

/** What has an id of its own. */
export interface Identified {
  readonly id: string;
}

/** A document as it was typed, not yet taken by the server, and the revision it grew from. */
export interface Draft<Document extends Identified = Trip> {
  readonly revision: number;
  readonly document: Document;
  /** The version of that revision, which both this one and another tab's grew from. */
  readonly base?: Document;
  /** A version that was sent and whose answer has not come: the server may have it. */
  readonly sent?: Document;
}

/** A draft that no open tab holds any more, and what it is kept under. */
export interface LeftDraft<Document extends Identified = Trip> extends Draft<Document> {
  readonly key: string;
}

/** A draft and when it was kept, UTC epoch ms. */
type Kept<Document extends Identified> = Draft<Document> & { readonly at?: number };

/** A draft as an earlier release kept it. */
type Earlier = Omit<Draft, 'document'> & { readonly trip: Trip };

/** Whether two documents are the same. */
export const sameDraft = (a: Identified, b: Identified): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Whether what the server has is what this browser sent last: the answer was lost, as by a reload, and
 * nobody else has written.
 */
export const isOurOwn = (
  { document, sent }: Pick<Draft<Identified>, 'document' | 'sent'>,
  stored: Identified,
): boolean => sameDraft(stored, document) || (sent !== undefined && sameDraft(stored, sent));

const TAB_LOCK = 'knapsack.tab.';

/**
 * Keeps unsaved documents in this browser, each tab its own, so that a reload, a stopped server or another tab loses nothing:
 * in localStorage, which has them before the page goes, and where that is full in IndexedDB, which holds more. A tab
 * holds a lock of the browser's as long as it is open; what a tab without one has left is nobody's any more, and is taken up by
 * the next that opens the trip.
 */
export class DraftBox<Document extends Identified = Trip> {
  /** The browser keeps nothing: its storage is full or forbidden. Then leaving the page would lose what is not saved. */
  readonly failing = signal(false);
  private readonly memory = new Map<string, Draft<Document>>();

  /** @param tab what tells this tab from all others @param prefix what its keys begin with, and those of no other kind */
  constructor(
    private readonly tab: string,
    private readonly prefix = 'knapsack.draft.',
    private readonly locks: Pick<LockManager, 'query' | 'request'> | undefined = navigator.locks,
    private readonly large = new DeviceStore<Kept<Document>>('knapsack', 'drafts'),
  ) {
    void this.locks
      ?.request(TAB_LOCK + tab, { mode: 'shared' }, () => new Promise<never>(() => undefined))
      .catch(() => undefined);
  }

  keep(draft: Draft<Document>): void {
    const key = this.keyOf(draft.document.id);
    const kept: Kept<Document> = { ...draft, at: Date.now() };
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
  find(id: string): Draft<Document> | null {
    const key = this.keyOf(id);
    return this.memory.get(key) ?? read<Document>(key);
  }

  /** What was typed into a trip and not saved: this tab's own, and what tabs left that are closed; the oldest first. */
  async left(id: string): Promise<readonly LeftDraft<Document>[]> {
    const own = this.keyOf(id);
    const open = await this.openTabs();
    const isLeft = (key: string) =>
      key === this.prefix + id ||
      (key.startsWith(`${this.prefix}${id}.`) && (key === own || !open.has(key.split('.').at(-1)!)));
    const large = (await this.large.all()).filter(([key]) => isLeft(key));
    const found = new Map<string, Kept<Document>>(
      large.map(([key, draft]) => [key, ofToday<Document>(draft)]),
    );
    for (const key of keysOfStorage().filter(isLeft)) {
      const draft = read<Document>(key);
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
    return `${this.prefix}${id}.${this.tab}`;
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

function read<Document extends Identified>(key: string): Kept<Document> | null {
  try {
    const text = localStorage.getItem(key);
    return text === null ? null : ofToday<Document>(JSON.parse(text) as Kept<Document>);
  } catch {
    return null;
  }
}

/** A draft as this release keeps one, its documents of today's version. */
function ofToday<Document extends Identified>(draft: Kept<Document> | Earlier): Kept<Document> {
  const { base, sent } = draft;
  const now = (document: unknown) => upToDate(document) as Document;
  const { trip: _trip, ...rest } = draft as Kept<Document> & Partial<Earlier>;
  return {
    ...rest,
    document: now('trip' in draft ? draft.trip : draft.document),
    ...(base && { base: now(base) }),
    ...(sent && { sent: now(sent) }),
  };
}

/** What tells this tab from all others. */
export const THIS_TAB = newKey(20);

/** The trips that this tab has not saved. */
export const draftBox = new DraftBox(THIS_TAB);
