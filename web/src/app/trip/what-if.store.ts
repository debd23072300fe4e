import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import type { PlanMark } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import type { ForecastQuestion } from '../work/forecast-protocol';
import { hireDesk } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import type { WhatIfAnswer } from '../work/what-if-protocol';
import { ChanceStore } from './chance.store';
import { TripStore } from './trip.store';
import { ForecastStore } from './forecast.store';

/** How long the hand must rest, once the chances are told, before the plan is looked at from its other sides, ms. */
const REST_MS = 200;

/** The marks of plans under whose verdict stands what would fix them. */
const SHOWS_FIXES: readonly PlanMark[] = ['look', 'stop'];

/** What the plan would be if something were otherwise: what would fix it, what a failure leaves, how it goes on alone. Worked out where it is seen. */
@Injectable()
export class WhatIfStore implements OnDestroy {
  private readonly store = inject(TripStore);
  private readonly forecast = inject(ForecastStore);
  private readonly chance = inject(ChanceStore);
  private readonly shelf = inject(ShelfService);
  private worker: NewestWorker<ForecastQuestion, WhatIfAnswer> | null = null;
  /** What was asked last. */
  private asked: ForecastQuestion | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** Whether the answer is of the plan as it stands, not of one before it. */
  readonly fresh = signal(false);
  /** The newest answer; of an older plan while the next one is being calculated. */
  readonly answer = signal<WhatIfAnswer | null>(null);
  readonly found = computed(() => this.answer()?.whatIf ?? null);

  private readonly isLookedAt = signal(false);
  /** Whether anybody sees it: what would fix a plan that is not good, its variants, or what one has begun to look at. */
  private readonly isSeen = computed(
    () =>
      this.isLookedAt() ||
      SHOWS_FIXES.includes(this.chance.mark()) ||
      (this.store.calculated()?.variants ?? []).length > 0,
  );

  /** A newer forecast of the same plan, as when its arithmetic is looked at, changes nothing here. */
  private readonly ready = computed(() => this.forecast.view() !== null);

  constructor() {
    effect(() => {
      const trip = this.store.calculated();
      const shelf = this.shelf.gear();
      const ready = this.ready();
      const isSeen = this.isSeen();
      // They are of the same thread, and come first.
      const mustWait = this.store.isMoving() || this.chance.isWorking();
      clearTimeout(this.timer);
      if (this.asked && this.asked.trip === trip && this.asked.shelf === shelf) return;
      this.fresh.set(false);
      this.asked = null;
      this.worker?.drop();
      // What would have fixed the plan before is no word on one that is good.
      if (!isSeen && this.chance.mark() === 'fine') this.answer.set(null);
      // While a hand holds what it moves nobody asks what would be otherwise.
      if (isSeen && trip && ready && !mustWait)
        this.timer = setTimeout(() => this.ask({ trip, shelf }), REST_MS);
    });
  }

  /** Somebody is about to look at it: from here on it is worked out for every plan. */
  look(): void {
    this.isLookedAt.set(true);
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.worker?.dismiss();
  }

  private ask(question: ForecastQuestion): void {
    this.worker ??= new NewestWorker<ForecastQuestion, WhatIfAnswer>(
      () => hireDesk('whatIf'),
      {
        answered: (answer, newest) => {
          const isOfNow =
            this.asked?.trip === this.store.calculated() && this.asked?.shelf === this.shelf.gear();
          if (!newest || !isOfNow) return;
          this.answer.set(answer);
          this.fresh.set(true);
        },
        failed: () => this.answer.set(null),
      },
      true,
    );
    this.asked = question;
    this.worker.ask(question);
  }
}
