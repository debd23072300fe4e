import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { chanceSum, sayOdds, type Sum } from '@knapsack/core';
import { ShelfService } from '../../data/shelf.service';
import type { ForecastQuestion } from '../forecast-protocol';
import { NewestWorker } from '../newest-worker';
import { PlanStore } from '../plan.store';
import type { ChanceAnswer } from './chance-protocol';

/** How long the hand must rest before draws are made, ms. */
const REST_MS = 120;

/** The chances of the plan as it stands; nothing of a plan before it is ever shown. */
@Injectable()
export class ChanceStore implements OnDestroy {
  private readonly store = inject(PlanStore);
  private readonly shelf = inject(ShelfService);
  private worker: NewestWorker<ForecastQuestion, ChanceAnswer> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** What is asked as the plan and the shelf stand; null while it cannot be. */
  private readonly question = computed<ForecastQuestion | null>(() => {
    const trip = this.store.trip();
    const shelf = this.shelf.gear();
    const ready = this.store.view() !== null && this.store.problems().length === 0;
    return trip && ready ? { trip, shelf } : null;
  });
  private asked: ForecastQuestion | null = null;
  private readonly answer = signal<{ readonly of: ForecastQuestion; readonly is: ChanceAnswer } | null>(null);

  /** Null while nothing is known of this very plan, with this very gear. */
  readonly chance = computed(() => {
    const answer = this.answer();
    return answer && answer.of === this.question() ? answer.is.chance : null;
  });
  readonly tornado = computed(() => (this.chance() ? (this.answer()?.is.tornado ?? null) : null));
  readonly words = computed(() => {
    const chance = this.chance();
    return chance && sayOdds(chance);
  });
  readonly sum = computed<Sum | null>(() => {
    const chance = this.chance();
    return chance && chanceSum(chance, this.tornado(), this.store.trip()?.place.timeZone ?? 'UTC');
  });

  constructor() {
    effect(() => {
      const question = this.question();
      clearTimeout(this.timer);
      if (question) this.timer = setTimeout(() => this.ask(question), REST_MS);
    });
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.worker?.dismiss();
  }

  private ask(question: ForecastQuestion): void {
    this.worker ??= new NewestWorker<ForecastQuestion, ChanceAnswer>(
      () => new Worker(new URL('./chance.worker', import.meta.url), { type: 'module' }),
      {
        answered: (is, newest) => {
          const of = this.asked;
          if (newest && of) this.answer.set({ of, is });
        },
        failed: () => this.answer.set(null),
      },
      true,
    );
    this.asked = question;
    this.worker.ask(question);
  }
}
