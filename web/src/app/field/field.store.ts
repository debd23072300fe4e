import {
  computed,
  DestroyRef,
  effect,
  inject,
  Injectable,
  signal,
  untracked,
  type OnDestroy,
} from '@angular/core';
import { ShelfService } from '../data/shelf.service';
import { LogStore } from '../trip/log.store';
import { TripStore } from '../trip/trip.store';
import type { FieldAnswer, FieldQuestion, FieldView } from '../work/field-protocol';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { clampToOuting, isUnderWay, momentWithoutClock, withItsMinute } from './moment';

const MINUTE_MS = 60_000;

/** Where the outing stands, asked for anew with each entry and each minute, in a worker. */
@Injectable()
export class FieldStore implements OnDestroy {
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly log = inject(LogStore);
  private readonly clockMs = signal(wholeMinute());
  private readonly worker = new NewestWorker<FieldQuestion, FieldAnswer>(() => hireWorker('field'), {
    answered: (answer) => this.answer.set(answer),
    failed: () => this.answer.set({ ok: false, problems: [STOPPED] }),
  });
  private readonly answer = signal<FieldAnswer | null>(null);

  /** A moment to look at as if it were now, UTC epoch ms; the clock's if null. */
  readonly asIfMs = signal<number | null>(null);
  /** Whether the clock stands within the outing. */
  readonly isUnderWay = computed(() => {
    const trip = this.trips.trip();
    return trip !== null && isUnderWay(trip, this.clockMs());
  });
  /** The moment that the room is about: the one that was chosen, the clock's during the outing, else that of the last entry. */
  readonly momentMs = computed(() => {
    const trip = this.trips.trip();
    if (!trip) return this.clockMs();
    const asIf = this.asIfMs();
    if (asIf !== null) return clampToOuting(trip, asIf);
    return this.isUnderWay() ? this.clockMs() : momentWithoutClock(trip, this.log.standing());
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
    const tick = setInterval(() => {
      const minute = wholeMinute();
      if (minute === untracked(this.clockMs)) return;
      this.clockMs.set(minute);
      // What instruments and other devices have sent meanwhile.
      if (document.visibilityState === 'visible') void this.log.refresh();
    }, MINUTE_MS / 4);
    inject(DestroyRef).onDestroy(() => clearInterval(tick));
    effect(() => {
      const trip = this.trips.calculated();
      const log = this.log.log();
      const shelf = this.shelf.gear();
      const nowMs = this.nowMs();
      if (trip && log) this.worker.ask({ trip, log, shelf, nowMs });
    });
  }

  ngOnDestroy(): void {
    this.worker.dismiss();
  }
}

const STOPPED =
  'The estimate stopped by a fault in Knapsack. Your entries are kept; reload the page to try again.';

const wholeMinute = (): number => Math.floor(Date.now() / MINUTE_MS) * MINUTE_MS;
