import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import type { Gear, Trip } from '@knapsack/contract';
import { ShelfService } from '../data/shelf.service';
import {
  forecastQuestion,
  type ForecastOutcome,
  type ForecastQuestion,
  type ForecastView,
} from '../work/forecast-protocol';
import { hireForecaster } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { TripStore } from './trip.store';

/** What the samples have said of the typical sky, and for which trip and shelf. */
export interface MovedSky {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly factor: number;
}

const STOPPED =
  'The forecast stopped by a fault in Knapsack. Your plan is kept; reload the page to try again.';

/** The forecast of the trip in hand, asked for anew with each change, in a worker. */
@Injectable()
export class ForecastStore implements OnDestroy {
  private readonly store = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly worker = new NewestWorker<ForecastQuestion, ForecastOutcome>(hireForecaster, {
    answered: (outcome) => this.took(outcome),
    failed: () => this.trouble.set([STOPPED]),
  });
  private readonly newest = signal<ForecastView | null>(null);
  private readonly trouble = signal<readonly string[]>([]);
  private readonly isExplained = signal(false);
  private readonly movedSky = signal<MovedSky | null>(null);

  /** The newest forecast that could be computed; stays while the plan has a problem. */
  readonly view = this.newest.asReadonly();
  /** Why the plan as it stands cannot be calculated; empty where it can. */
  readonly problems = this.trouble.asReadonly();
  /** Whether the forecast has said anything yet. */
  readonly answered = computed(() => this.newest() !== null || this.trouble().length > 0);

  constructor() {
    effect(() => {
      const trip = this.store.calculated();
      const shelf = this.shelf.gear();
      const explained = this.isExplained();
      const coarse = this.store.isMoving();
      const moved = this.movedSky();
      const skyFactor = moved?.trip === trip && moved?.shelf === shelf ? moved.factor : 1;
      if (trip) this.worker.ask(forecastQuestion({ trip, shelf, explained, coarse, skyFactor }));
    });
  }

  /** Somebody looks at the arithmetic: from now on it comes with each forecast. */
  explain(): void {
    this.isExplained.set(true);
  }

  /** The samples of a trip have said how its typical sky is. */
  moveSky(moved: MovedSky): void {
    this.movedSky.set(moved);
  }

  ngOnDestroy(): void {
    this.worker.dismiss();
  }

  private took(outcome: ForecastOutcome): void {
    this.trouble.set(outcome.ok ? [] : outcome.problems.map(({ sentence }) => sentence));
    if (outcome.ok) this.newest.set(outcome.view);
  }
}
