import { Injectable, type OnDestroy } from '@angular/core';
import type { Gear, Trip } from '@knapsack/contract';
import { Subject, type Observable } from 'rxjs';
import type { ForecastAnswer, ForecastOutcome, ForecastRequest } from './forecast-protocol';

/**
 * Forecasts in a web worker. One is under way at a time; of those asked for meanwhile only the newest
 * is computed, so that dragging never builds a queue and an old answer never comes after a new one.
 */
@Injectable()
export class ForecastService implements OnDestroy {
  private readonly answers = new Subject<ForecastOutcome>();
  private worker = this.hire();
  private underWay: ForecastRequest | null = null;
  private next: ForecastRequest | null = null;
  private count = 0;
  private failures = 0;

  readonly outcomes: Observable<ForecastOutcome> = this.answers.asObservable();

  ask(trip: Trip, shelf: readonly Gear[]): void {
    this.next = { number: ++this.count, trip, shelf };
    this.send();
  }

  ngOnDestroy(): void {
    this.worker.terminate();
    this.answers.complete();
  }

  private send(): void {
    if (this.underWay || !this.next) return;
    this.underWay = this.next;
    this.next = null;
    this.worker.postMessage(this.underWay);
  }

  private hire(): Worker {
    const worker = new Worker(new URL('./forecast.worker', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ForecastAnswer>) => {
      this.underWay = null;
      this.failures = 0;
      this.answers.next(data.outcome);
      this.send();
    };
    worker.onerror = (event) => {
      event.preventDefault();
      this.replaceWorker();
    };
    return worker;
  }

  /** A worker that died is replaced once for a request; a second death is told instead of tried for ever. */
  private replaceWorker(): void {
    this.worker.terminate();
    this.worker = this.hire();
    this.failures += 1;
    const again = this.failures < 2 ? (this.next ?? this.underWay) : this.next;
    this.underWay = null;
    this.next = again;
    if (this.failures >= 2) {
      this.answers.next({
        ok: false,
        problems: [
          {
            code: 'worker',
            sentence:
              'The forecast stopped by a fault in Knapsack. Your plan is kept; reload the page to try again.',
          },
        ],
      });
    }
    this.send();
  }
}
