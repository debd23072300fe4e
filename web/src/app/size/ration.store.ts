import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import {
  rationStretches,
  USUAL_RATION_OPTIONS,
  withRation,
  type RationOptions,
  type WorthOfHours,
} from '@knapsack/contract/size';
import type { Ration, Result } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { TripStore } from '../trip/trip.store';
import { kept, keep } from '../trip/kept-options';
import type { RationQuestion } from '../work/ration-work';
import { SizeStore } from './size.store';

/** How long the hand must rest before the hours are shared out anew, ms. */
const REST_MS = 300;
const KEPT_AS = 'knapsack.ration';

/** How to spend the energy of the bag as it is; nothing of another plan is ever shown. */
@Injectable()
export class RationStore implements OnDestroy {
  private readonly plan = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly size = inject(SizeStore);
  private worker: NewestWorker<RationQuestion, Result<Ration>> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private asked: RationQuestion | null = null;

  readonly options = signal<RationOptions>(kept(KEPT_AS, USUAL_RATION_OPTIONS));
  /** What is asked as everything stands; null while it cannot be. */
  private readonly question = computed<RationQuestion | null>(() => {
    const trip = this.plan.calculated();
    const shelf = this.shelf.gear();
    const { chance } = this.size.options();
    const options = { ...this.options(), chance };
    return trip && shelf.length > 0 ? { trip, shelf, options } : null;
  });
  private readonly answered = signal<{ readonly of: RationQuestion; readonly is: Result<Ration> } | null>(
    null,
  );
  private readonly answer = computed(() => {
    const answered = this.answered();
    return answered && answered.of === this.question() ? answered.is : null;
  });
  readonly ration = computed(() => {
    const answer = this.answer();
    return answer?.ok ? answer.value : null;
  });
  readonly problem = computed(() => {
    const answer = this.answer();
    return answer && !answer.ok ? answer.problems[0].sentence : null;
  });
  readonly stretches = computed(() => {
    const ration = this.ration();
    return ration ? rationStretches(ration) : [];
  });

  constructor() {
    effect(() => {
      const question = this.question();
      clearTimeout(this.timer);
      if (question) this.timer = setTimeout(() => this.ask(question), REST_MS);
    });
    effect(() => keep(KEPT_AS, this.options()));
  }

  change(options: Partial<RationOptions>): void {
    this.options.update((before) => ({ ...before, ...options }));
  }

  /** Hours that count otherwise: one stretch of the day. */
  changeHours(hours: Partial<WorthOfHours>): void {
    const [first = USUAL_RATION_OPTIONS.hours[0]] = this.options().hours;
    this.change({ hours: [{ ...first, ...hours }] });
  }

  putOn(): void {
    const ration = this.ration();
    if (ration) this.plan.edit((trip) => withRation(trip, ration));
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.worker?.dismiss();
  }

  private ask(question: RationQuestion): void {
    const hear = (is: Result<Ration>) => this.asked && this.answered.set({ of: this.asked, is });
    this.worker ??= new NewestWorker<RationQuestion, Result<Ration>>(() => hireWorker('ration'), {
      answered: (answer, newest) => newest && hear(answer),
      failed: () => hear(STOPPED),
    });
    this.asked = question;
    this.worker.ask(question);
  }
}

const STOPPED: Result<Ration> = {
  ok: false,
  problems: [
    { code: 'worker', sentence: 'The ration stopped by a fault in Knapsack. Change anything to try again.' },
  ],
};
