import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { emptyLog, type LogDocument, type LogEntry } from '@knapsack/contract';
import { mergeLogs, standingEntries, withEntries } from '@knapsack/contract/field';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { isOffline, problemText } from '../data/problem-text';
import { ServerWatch } from '../data/server-watch.service';
import { OutingLog, type LogState } from './outing-log';
import { PendingEntries } from './pending-entries';
import { TripStore } from './trip.store';

const FIRST_PAUSE_MS = 2000;
const LONGEST_PAUSE_MS = 60_000;
/** Entries that go to the server at once: it takes 2 MB, and an entry of a few lines of note is large. */
const MOST_AT_ONCE = 4000;

/** The log of the trip in hand: what is added stands here at once, is kept by this browser, and goes to the server as soon as it is there. */
@Injectable()
export class LogStore extends OutingLog implements OnDestroy {
  private readonly api = inject(ApiService);
  private readonly trips = inject(TripStore);
  private readonly tripId = computed(() => this.trips.trip()?.id ?? null);
  private readonly content = signal<LogDocument | null>(null);
  private readonly pending = signal<readonly LogEntry[]>([]);
  private readonly refusal = signal<string | null>(null);
  private kept: PendingEntries | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private pauseMs = FIRST_PAUSE_MS;
  private sending = false;
  private readonly sendNow = () => void this.send();

  readonly log = this.content.asReadonly();
  readonly standing = computed(() => standingEntries(this.content() ?? { entries: [] }));
  readonly pendingIds = computed<ReadonlySet<string>>(() => new Set(this.pending().map(({ id }) => id)));
  readonly state = computed<LogState>(() => {
    const count = this.pending().length;
    const why = this.refusal();
    if (count === 0) return { is: 'server' };
    return why === null ? { is: 'here', count } : { is: 'refused', count, why };
  });

  constructor() {
    super();
    effect(() => {
      const id = this.tripId();
      untracked(() => void this.open(id));
    });
    inject(ServerWatch)
      .back.pipe(takeUntilDestroyed())
      .subscribe(() => void this.refresh());
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    void this.send();
  }

  /** Leaving the page would lose entries: the server does not have them, and this browser keeps nothing. */
  wouldBeLost(): boolean {
    return this.pending().length > 0 && this.kept?.failing() === true;
  }

  add(...entries: readonly LogEntry[]): void {
    this.pending.update((before) => [...before, ...entries]);
    this.kept?.keep(this.pending());
    this.content.update((log) => log && withEntries(log, ...entries));
    void this.send();
  }

  async takeIn(text: string): Promise<string | null> {
    const log = this.content();
    if (!log) return null;
    let sent: unknown;
    try {
      sent = JSON.parse(text);
    } catch {
      return 'This file is no log: it is not JSON. Nothing was taken in.';
    }
    try {
      this.join(await firstValueFrom(this.api.addToLog(log.trip, sent)));
      return null;
    } catch (error) {
      return problemText(error);
    }
  }

  async refresh(): Promise<void> {
    const log = this.content();
    if (!log) return;
    try {
      this.join(await firstValueFrom(this.api.log(log.trip)));
    } catch {
      // What stands here stands; the next look finds the rest.
    }
    await this.send();
  }

  private async open(trip: string | null): Promise<void> {
    clearTimeout(this.timer);
    this.refusal.set(null);
    this.content.set(null);
    if (trip === null) return;
    const kept = new PendingEntries(trip);
    this.kept = kept;
    this.pending.set(kept.all());
    kept.keep(this.pending());
    // Nothing is told of an outing before its log is there: it would be the plan's word alone. Without a server it is what is kept here.
    const theirs = await firstValueFrom(this.api.log(trip, 'device too')).catch(() => emptyLog(trip));
    if (this.kept !== kept) return;
    this.content.set(withEntries(theirs, ...this.pending()));
    await this.send();
  }

  /** Sends what the server does not have; while it is away, again and again. */
  private async send(): Promise<void> {
    const log = this.content();
    const entries = this.pending().slice(0, MOST_AT_ONCE);
    if (!log || entries.length === 0 || this.sending) return;
    clearTimeout(this.timer);
    this.sending = true;
    let again = 0;
    try {
      const theirs = await firstValueFrom(this.api.addToLog(log.trip, { ...emptyLog(log.trip), entries }));
      this.pauseMs = FIRST_PAUSE_MS;
      this.refusal.set(null);
      this.join(theirs);
      const there = new Set(theirs.entries.map(({ id }) => id));
      this.pending.update((now) => now.filter(({ id }) => !there.has(id)));
      this.kept?.arrived(there);
      // What is left, or was added meanwhile, goes at once.
      if (this.pending().length > 0) again = 1;
    } catch (error) {
      this.refusal.set(isOffline(error) ? null : problemText(error));
      again = this.pauseMs;
      this.pauseMs = Math.min(LONGEST_PAUSE_MS, 2 * this.pauseMs);
    } finally {
      this.sending = false;
    }
    if (again > 0) this.timer = setTimeout(this.sendNow, again);
  }

  private join(theirs: LogDocument): void {
    const mine = this.content();
    if (mine?.trip === theirs.trip) this.content.set(mergeLogs(mine, theirs));
  }
}
