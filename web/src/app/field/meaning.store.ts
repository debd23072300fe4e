import { inject, Injectable, signal, type OnDestroy } from '@angular/core';
import type { ReadingEntry } from '@knapsack/contract';
import { sayWouldMean, withEntries } from '@knapsack/contract/field';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import type { FieldAnswer, FieldQuestion } from '../work/field-protocol';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { FieldStore } from './field.store';

/** A reading that is being typed. */
export type TriedReading = Omit<ReadingEntry, 'id' | 'at'>;

const TRIED = 'tried';
/** A hand that types is not asked after each digit. */
const RESTS_MS = 250;

/** What the reading that is being typed would mean, in a worker of its own: the estimate goes on beside it. */
@Injectable()
export class MeaningStore implements OnDestroy {
  private readonly trips = inject(TripStore);
  private readonly log = inject(OutingLog);
  private readonly shelf = inject(ShelfService);
  private readonly store = inject(FieldStore);
  private worker: NewestWorker<FieldQuestion, FieldAnswer> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private asked: ReadingEntry | null = null;
  private readonly told = signal<string | null>(null);

  /** "would mean 52 to 71 %; it fits"; null while nothing is known. */
  readonly meaning = this.told.asReadonly();

  ask(reading: TriedReading | null): void {
    clearTimeout(this.timer);
    this.told.set(null);
    this.asked = null;
    if (reading) this.timer = setTimeout(() => this.send(reading), RESTS_MS);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.worker?.dismiss();
  }

  private send(reading: TriedReading): void {
    const trip = this.trips.calculated();
    const log = this.log.log();
    if (!trip || !log) return;
    const nowMs = this.store.nowMs();
    const entry: ReadingEntry = { ...reading, id: TRIED, at: new Date(nowMs).toISOString() };
    this.asked = entry;
    this.worker ??= new NewestWorker<FieldQuestion, FieldAnswer>(() => hireWorker('field'), {
      answered: (answer, newest) => {
        if (newest && this.asked) this.tell(this.asked, answer);
      },
      failed: () => this.told.set(null),
    });
    this.worker.ask({
      ...{ trip, shelf: this.shelf.gear(), nowMs, onlyRough: true },
      log: withEntries(log, entry),
    });
  }

  private tell(entry: ReadingEntry, answer: FieldAnswer): void {
    const outcome = answer.ok ? answer.view.readings.find(({ id }) => id === TRIED) : undefined;
    this.told.set(outcome ? sayWouldMean(entry, outcome) : null);
  }
}
