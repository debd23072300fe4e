import { Injectable, type OnDestroy } from '@angular/core';
import { Subject, type Observable } from 'rxjs';
import type { ForecastOutcome, ForecastQuestion } from '../work/forecast-protocol';
import { hireForecaster } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';

/** Forecasts in a web worker, the newest only. */
@Injectable()
export class ForecastService implements OnDestroy {
  private readonly answers = new Subject<ForecastOutcome>();
  private readonly worker = new NewestWorker<ForecastQuestion, ForecastOutcome>(hireForecaster, {
    answered: (outcome) => this.answers.next(outcome),
    failed: () =>
      this.answers.next({
        ok: false,
        problems: [
          {
            code: 'worker',
            sentence:
              'The forecast stopped by a fault in Knapsack. Your plan is kept; reload the page to try again.',
          },
        ],
      }),
  });

  readonly outcomes: Observable<ForecastOutcome> = this.answers.asObservable();

  ask(question: ForecastQuestion): void {
    this.worker.ask(question);
  }

  ngOnDestroy(): void {
    this.worker.dismiss();
    this.answers.complete();
  }
}
