import { signal } from '@angular/core';
import type { Stored, Trip } from '@knapsack/contract';
import { firstValueFrom, type Observable } from 'rxjs';
import { hasStatus, isOffline, problemText } from '../data/problem-text';
import { isOurOwn, sameDraft, type DraftBox, type Identified } from './draft-box';

/** How what is on the page stands to what the server has. */
export type SaveState =
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  | { readonly is: 'offline' }
  | { readonly is: 'conflict' }
  /** Not taken; where the fault is the server's, it is tried again. */
  | { readonly is: 'refused'; readonly why: string; readonly again?: boolean };

const WAITS_MS = 350;
/** How often this browser keeps what a hand is moving. */
const KEEPS_MS = 250;
const TRIES_AGAIN_MS = 3000;
/** Pauses after the server could not save (full, locked, a fault of its own): each twice the last, up to a minute. */
const FIRST_PAUSE_MS = 2000;
const LONGEST_PAUSE_MS = 60_000;
const MAY_PASS = [500, 503, 507] as const;
/** Somebody else has written or deleted it meanwhile. */
const CHANGED = [404, 412] as const;

/** How documents of a kind are saved. */
export interface Saving<Document extends Identified> {
  readonly box: DraftBox<Document>;
  readonly save: (document: Document, revision: number) => Observable<Stored<Document>>;
  readonly read: () => Observable<Stored<Document>>;
  /** Brings two versions together where somebody else has written meanwhile; null where they do not go together, which is a conflict for the user. */
  readonly bringTogether: (base: Document, mine: Document, theirs: Document) => Document | null;
}

/**
 * Saves a document a moment after each change, one request at a time, always the newest state. Until the
 * server has it, the browser keeps it.
 */
export class Autosave<Document extends Identified = Trip> {
  readonly state = signal<SaveState>({ is: 'saved' });
  private pending: Document | null = null;
  /** What was sent and not answered: the server may or may not have it. */
  private unanswered: Document | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private keeps: ReturnType<typeof setTimeout> | undefined;
  private underWay = false;
  private stopped = false;
  private pauseMs = FIRST_PAUSE_MS;

  /** @param base the document as the server has it at that revision */
  constructor(
    private revision: number,
    private base: Document,
    private readonly how: Saving<Document>,
  ) {}

  /** The revision that the page's document grew from. */
  get knownRevision(): number {
    return this.revision;
  }

  /** The document as it was at that revision. */
  get knownBase(): Document {
    return this.base;
  }

  get hasUnsaved(): boolean {
    return this.pending !== null;
  }

  /** @param moving a hand is still changing it: the browser keeps it a few times a second, and once the hand rests */
  changed(document: Document, moving = false): void {
    this.pending = document;
    if (moving) this.keepSoon();
    else this.keepNow();
    const state = this.state();
    if (state.is === 'conflict') return;
    // While the server cannot save, more typing does not ask it more often.
    if (state.is === 'refused' && state.again) return;
    this.state.set({ is: 'saving' });
    this.schedule(WAITS_MS);
  }

  /** Saves at once what waits, as when the room is left. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    const document = this.pending;
    if (!document || this.underWay || this.state().is === 'conflict') return;
    this.underWay = true;
    const doubtful = this.unanswered;
    this.unanswered = document;
    this.keep(document);
    try {
      const { revision } = await firstValueFrom(this.how.save(document, this.revision));
      this.revision = revision;
      this.base = document;
      this.unanswered = undefined;
      this.pauseMs = FIRST_PAUSE_MS;
      const newer = this.pending;
      if (newer && newer !== document) {
        this.keep(newer);
        this.schedule(0);
      } else {
        this.pending = null;
        this.letGo(document);
        this.state.set({ is: 'saved' });
      }
    } catch (error) {
      await this.failed(error, document, doubtful);
    } finally {
      this.underWay = false;
    }
  }

  /** Goes on from a revision that someone else has written: the next save overwrites it knowingly. */
  adopt(revision: number, document: Document): void {
    this.revision = revision;
    this.base = document;
    this.pending = null;
    this.unanswered = undefined;
    this.state.set({ is: 'saved' });
  }

  /** The page lets go of it: what waits is kept, and from now on another may keep and save the same document. */
  stop(): void {
    clearTimeout(this.timer);
    this.keepNow();
    this.stopped = true;
  }

  private async failed(error: unknown, document: Document, doubtful: Document | undefined): Promise<void> {
    if (isOffline(error)) {
      this.state.set({ is: 'offline' });
      this.schedule(TRIES_AGAIN_MS);
      return;
    }
    // The server has answered and did not take it: only an earlier version may have arrived unseen.
    this.unanswered = doubtful;
    if (MAY_PASS.some((status) => hasStatus(error, status))) {
      this.state.set({ is: 'refused', why: problemText(error), again: true });
      this.schedule(this.pauseMs);
      this.pauseMs = Math.min(LONGEST_PAUSE_MS, 2 * this.pauseMs);
      return;
    }
    if (!CHANGED.some((status) => hasStatus(error, status)))
      this.state.set({ is: 'refused', why: problemText(error) });
    else if (doubtful && (await this.hasArrived(document, doubtful))) this.schedule(0);
    else await this.joinTheirs();
  }

  /** Whether a version whose answer was lost is what the server has; then its revision is the one to go on from. */
  private async hasArrived(mine: Document, sent: Document): Promise<boolean> {
    try {
      const { document, revision } = await firstValueFrom(this.how.read());
      if (!isOurOwn({ document: mine, sent }, document)) return false;
      this.revision = revision;
      this.base = document;
      this.unanswered = undefined;
      return true;
    } catch {
      return false;
    }
  }

  /** Goes on from what somebody else has written, with both brought together. */
  private async joinTheirs(): Promise<void> {
    this.schedule(this.pauseMs);
    this.pauseMs = Math.min(LONGEST_PAUSE_MS, 2 * this.pauseMs);
    try {
      const { document, revision } = await firstValueFrom(this.how.read());
      if (!this.pending) return;
      const together = this.how.bringTogether(this.base, this.pending, document);
      if (!together) return this.clash();
      this.pending = together;
      this.revision = revision;
      this.base = document;
      this.keep(this.pending);
      this.schedule(0);
    } catch (error) {
      if (hasStatus(error, 404)) return this.clash();
      this.state.set(
        isOffline(error) ? { is: 'offline' } : { is: 'refused', why: problemText(error), again: true },
      );
    }
  }

  /** Nothing is sent until the user has chosen. */
  private clash(): void {
    clearTimeout(this.timer);
    this.state.set({ is: 'conflict' });
  }

  /** Keeps in this browser what waits, as when a hand lets go. */
  keepNow(): void {
    clearTimeout(this.keeps);
    this.keeps = undefined;
    if (this.pending) this.keep(this.pending);
  }

  private keepSoon(): void {
    this.keeps ??= setTimeout(() => this.keepNow(), KEEPS_MS);
  }

  private keep(document: Document): void {
    if (this.stopped) return;
    const { revision, base, unanswered: sent } = this;
    this.how.box.keep({ revision, document, base, ...(sent && { sent }) });
  }

  /** What the server has need not be kept; what was typed since, after the trip was opened again, must be. */
  private letGo(document: Document): void {
    const kept = this.how.box.find(document.id);
    if (!kept || sameDraft(kept.document, document)) this.how.box.drop(document.id);
  }

  private schedule(afterMs: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), afterMs);
  }
}
