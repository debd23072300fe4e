import { computed, inject, Injectable, signal } from '@angular/core';
import { emptyLog, type LogEntry } from '@knapsack/contract';
import { isByHand, standingEntries, withEntries } from '@knapsack/contract/field';
import { OutingLog, type LogState } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';

/** The log of a dry run: the trip's own never hears of it. */
@Injectable()
export class DryRunLog extends OutingLog {
  private readonly content = signal(emptyLog(inject(TripStore).trip()?.id ?? ''));
  readonly log = this.content.asReadonly();
  readonly standing = computed(() => standingEntries(this.content()));
  readonly pendingIds = signal<ReadonlySet<string>>(new Set()).asReadonly();
  readonly state = signal<LogState>({ is: 'dryRun' }).asReadonly();
  /** What somebody entered. */
  readonly byHand = computed(() => this.content().entries.filter(isByHand));

  add(...entries: readonly LogEntry[]): void {
    this.content.update((log) => withEntries(log, ...entries));
  }

  clear(): void {
    this.content.update((log) => emptyLog(log.trip));
  }

  takeIn(): Promise<string | null> {
    return Promise.resolve('A dry run has a log of its own: end it first. Nothing was taken in.');
  }

  refresh(): Promise<void> {
    return Promise.resolve();
  }
}
