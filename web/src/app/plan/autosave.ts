import { signal } from '@angular/core';
import type { Stored, Trip } from '@knapsack/contract';
import { firstValueFrom, type Observable } from 'rxjs';
import { hasStatus, isOffline, problemText } from '../data/problem-text';
import { draftBox } from './draft-box';

/** How the trip on the page stands to the one on the server. */
export type SaveState =
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  | { readonly is: 'offline' }
  | { readonly is: 'conflict' }
  | { readonly is: 'refused'; readonly why: string };

const WAITS_MS = 350;
const TRIES_AGAIN_MS = 3000;

/**
 * Saves a trip a moment after each change, one request at a time, always the newest state. Until the
 * server has it, the browser keeps it.
 */
export class Autosave {
  readonly state = signal<SaveState>({ is: 'saved' });
  private pending: Trip | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private underWay = false;

  constructor(
    private revision: number,
    private readonly save: (trip: Trip, revision: number) => Observable<Stored<Trip>>,
  ) {}

  /** The revision that the page's trip grew from. */
  get knownRevision(): number {
    return this.revision;
  }

  get hasUnsaved(): boolean {
    return this.pending !== null;
  }

  changed(trip: Trip): void {
    this.pending = trip;
    draftBox.keep({ revision: this.revision, trip });
    if (this.state().is === 'conflict') return;
    this.state.set({ is: 'saving' });
    this.schedule(WAITS_MS);
  }

  /** Saves at once what waits, as when the room is left. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    const trip = this.pending;
    if (!trip || this.underWay || this.state().is === 'conflict') return;
    this.underWay = true;
    try {
      const { revision } = await firstValueFrom(this.save(trip, this.revision));
      this.revision = revision;
      const newer = this.pending;
      if (newer && newer !== trip) {
        draftBox.keep({ revision, trip: newer });
        this.schedule(0);
      } else {
        this.pending = null;
        draftBox.drop(trip.id);
        this.state.set({ is: 'saved' });
      }
    } catch (error) {
      this.failed(error);
    } finally {
      this.underWay = false;
    }
  }

  /** Goes on from a revision that someone else has written: the next save overwrites it knowingly. */
  adopt(revision: number): void {
    this.revision = revision;
    this.pending = null;
    this.state.set({ is: 'saved' });
  }

  stop(): void {
    clearTimeout(this.timer);
  }

  private failed(error: unknown): void {
    if (hasStatus(error, 412) || hasStatus(error, 404)) this.state.set({ is: 'conflict' });
    else if (isOffline(error)) {
      this.state.set({ is: 'offline' });
      this.schedule(TRIES_AGAIN_MS);
    } else this.state.set({ is: 'refused', why: problemText(error) });
  }

  private schedule(afterMs: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), afterMs);
  }
}
