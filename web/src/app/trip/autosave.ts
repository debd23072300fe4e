import { signal } from '@angular/core';
import type { Stored, Trip } from '@knapsack/contract';
import { firstValueFrom, type Observable } from 'rxjs';
import { hasStatus, isOffline, problemText } from '../data/problem-text';
import { draftBox, isOurOwn } from './draft-box';

/** How the trip on the page stands to the one on the server. */
export type SaveState =
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  | { readonly is: 'offline' }
  | { readonly is: 'conflict' }
  /** Not taken; where the fault is the server's, it is tried again. */
  | { readonly is: 'refused'; readonly why: string; readonly again?: boolean };

const WAITS_MS = 350;
const TRIES_AGAIN_MS = 3000;
/** Pauses after the server could not save (full, locked, a fault of its own): each twice the last, up to a minute. */
const FIRST_PAUSE_MS = 2000;
const LONGEST_PAUSE_MS = 60_000;
const MAY_PASS = [500, 503, 507] as const;

/**
 * Saves a trip a moment after each change, one request at a time, always the newest state. Until the
 * server has it, the browser keeps it.
 */
export class Autosave {
  readonly state = signal<SaveState>({ is: 'saved' });
  private pending: Trip | null = null;
  /** What was sent and not answered: the server may or may not have it. */
  private unanswered: Trip | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private underWay = false;
  private pauseMs = FIRST_PAUSE_MS;

  /** @param base the trip as the server has it at that revision */
  constructor(
    private revision: number,
    private base: Trip,
    private readonly save: (trip: Trip, revision: number) => Observable<Stored<Trip>>,
    private readonly read: () => Observable<Stored<Trip>>,
  ) {}

  /** The revision that the page's trip grew from. */
  get knownRevision(): number {
    return this.revision;
  }

  /** The trip as it was at that revision. */
  get knownBase(): Trip {
    return this.base;
  }

  get hasUnsaved(): boolean {
    return this.pending !== null;
  }

  changed(trip: Trip): void {
    this.pending = trip;
    this.keep(trip);
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
    const trip = this.pending;
    if (!trip || this.underWay || this.state().is === 'conflict') return;
    this.underWay = true;
    const doubtful = this.unanswered;
    this.unanswered = trip;
    this.keep(trip);
    try {
      const { revision } = await firstValueFrom(this.save(trip, this.revision));
      this.revision = revision;
      this.base = trip;
      this.unanswered = undefined;
      this.pauseMs = FIRST_PAUSE_MS;
      const newer = this.pending;
      if (newer && newer !== trip) {
        this.keep(newer);
        this.schedule(0);
      } else {
        this.pending = null;
        draftBox.drop(trip.id);
        this.state.set({ is: 'saved' });
      }
    } catch (error) {
      await this.failed(error, trip, doubtful);
    } finally {
      this.underWay = false;
    }
  }

  /** Goes on from a revision that someone else has written: the next save overwrites it knowingly. */
  adopt(revision: number, document: Trip): void {
    this.revision = revision;
    this.base = document;
    this.pending = null;
    this.unanswered = undefined;
    this.state.set({ is: 'saved' });
  }

  stop(): void {
    clearTimeout(this.timer);
  }

  private async failed(error: unknown, trip: Trip, doubtful: Trip | undefined): Promise<void> {
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
    if (!hasStatus(error, 412)) {
      this.state.set(hasStatus(error, 404) ? { is: 'conflict' } : { is: 'refused', why: problemText(error) });
    } else if (doubtful && (await this.hasArrived(trip, doubtful))) this.schedule(0);
    else this.state.set({ is: 'conflict' });
  }

  /** Whether a version whose answer was lost is what the server has; then its revision is the one to go on from. */
  private async hasArrived(trip: Trip, sent: Trip): Promise<boolean> {
    try {
      const { document, revision } = await firstValueFrom(this.read());
      if (!isOurOwn({ trip, sent }, document)) return false;
      this.revision = revision;
      this.base = document;
      this.unanswered = undefined;
      return true;
    } catch {
      return false;
    }
  }

  private keep(trip: Trip): void {
    const { revision, base, unanswered: sent } = this;
    draftBox.keep({ revision, trip, base, ...(sent && { sent }) });
  }

  private schedule(afterMs: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), afterMs);
  }
}
