import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import type { DebriefAnswer, DebriefQuestion } from '../work/debrief-protocol';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';

/** What really happened in the outing, by its log, in a worker. */
@Injectable()
export class DebriefStore implements OnDestroy {
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly log = inject(OutingLog);
  private readonly answer = signal<DebriefAnswer | null>(null);
  private readonly worker = new NewestWorker<DebriefQuestion, DebriefAnswer>(() => hireWorker('debrief'), {
    answered: (answer) => this.answer.set(answer),
    failed: () => this.answer.set({ ok: false, problems: [STOPPED] }),
  });

  readonly view = computed(() => {
    const answer = this.answer();
    return answer?.ok ? answer.view : null;
  });
  readonly problems = computed<readonly string[]>(() => {
    const answer = this.answer();
    return answer && !answer.ok ? answer.problems : [];
  });

  constructor() {
    effect(() => {
      const trip = this.trips.calculated();
      const log = this.log.log();
      if (trip && log) this.worker.ask({ trip, log, shelf: this.shelf.gear() });
    });
  }

  ngOnDestroy(): void {
    this.worker.dismiss();
  }
}

const STOPPED = 'This stopped by a fault in Knapsack. Your log is kept; reload the page to try again.';
