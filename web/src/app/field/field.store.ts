import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import { isByHand } from '@knapsack/contract/field';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import type { FieldAnswer, FieldQuestion, FieldView } from '../work/field-protocol';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { OutingClock } from './outing-clock';
import { ShownAnswers, type ByHand } from './shown-answers';
import { clampToOuting, isUnderWay, momentWithoutClock, withItsMinute } from './moment';

/** Where the outing stands, asked for anew with each entry and each minute, in a worker. */
@Injectable()
export class FieldStore implements OnDestroy {
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly log = inject(OutingLog);
  private readonly clock = inject(OutingClock);
  private readonly worker = new NewestWorker<FieldQuestion, FieldAnswer>(() => hireWorker('field'), {
    answered: (answer, _newest, question) => this.take(answer, question),
    failed: () => this.answer.set({ ok: false, problems: [STOPPED] }),
  });
  private readonly answer = signal<FieldAnswer | null>(null);
  private readonly asked = signal<FieldQuestion | null>(null);
  private readonly answered = signal<FieldQuestion | null>(null);
  /** A newer estimate is being calculated: the view is the last one. */
  readonly isEstimating = computed(() => this.asked() !== this.answered());
  private readonly shown = new ShownAnswers();
  private readonly byHand = new WeakMap<FieldQuestion, ByHand>();

  /** A moment to look at as if it were now, UTC epoch ms; the clock's if null. */
  readonly asIfMs = signal<number | null>(null);
  /** Whether the clock stands within the outing. */
  readonly isUnderWay = computed(() => {
    const trip = this.trips.trip();
    return trip !== null && isUnderWay(trip, this.clock.minuteMs());
  });
  /** The moment that the room is about: the one that was chosen, the clock's during the outing, else that of the last entry. */
  readonly momentMs = computed(() => {
    const trip = this.trips.trip();
    if (!trip) return this.clock.minuteMs();
    const asIf = this.asIfMs();
    if (asIf !== null) return clampToOuting(trip, asIf);
    return this.isUnderWay() ? this.clock.minuteMs() : momentWithoutClock(trip, this.log.standing());
  });
  /** The same with what was entered within its minute. */
  readonly nowMs = computed(() => withItsMinute(this.momentMs(), this.log.standing()));
  readonly view = computed<FieldView | null>(() => {
    const answer = this.answer();
    return answer?.ok ? answer.view : null;
  });
  readonly problems = computed<readonly string[]>(() => {
    const answer = this.answer();
    return answer && !answer.ok ? answer.problems : [];
  });

  constructor() {
    let minute = untracked(this.clock.minuteMs);
    effect(() => {
      if (this.clock.minuteMs() === minute) return;
      minute = this.clock.minuteMs();
      // What instruments and other devices have sent meanwhile.
      if (document.visibilityState === 'visible') untracked(() => void this.log.refresh());
    });
    effect(() => {
      const trip = this.trips.calculated();
      const log = this.log.log();
      const shelf = this.shelf.gear();
      const nowMs = this.nowMs();
      if (!trip || !log) return;
      const question = { trip, log, shelf, nowMs };
      this.byHand.set(question, [trip, shelf, this.asIfMs(), log.entries.filter(isByHand).length]);
      this.asked.set(question);
      this.worker.ask(question);
    });
  }

  private take(answer: FieldAnswer, question: FieldQuestion | null): void {
    this.answered.set(question);
    const isPart = answer.ok && (answer.view.isRough || answer.view.wouldDo === null);
    const byHand = question && this.byHand.get(question);
    if (!byHand || this.shown.takes(byHand, isPart)) this.answer.set(answer);
  }

  ngOnDestroy(): void {
    this.worker.dismiss();
  }
}

const STOPPED =
  'The estimate stopped by a fault in Knapsack. Your entries are kept; reload the page to try again.';
