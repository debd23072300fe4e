import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import { changedCableRuns } from '@knapsack/contract';
import { ShelfService } from '../data/shelf.service';
import { hireDesk } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { TripStore } from './trip.store';
import type { WireAnswer, WireQuestion } from '../work/wire-protocol';
import { ForecastStore } from './forecast.store';
import { GhostStore } from './ghost.store';

/** How long the hand must rest before the wiring is looked at from another room, ms. */
const REST_MS = 400;
/** Narrower than this the harness is drawn from top to bottom, px. */
const NARROW_PX = 900;

/** How the kit in hand is wired and what is wrong with it, for its room and for the sign on the trail. */
@Injectable()
export class WireStore implements OnDestroy {
  private readonly plan = inject(TripStore);
  private readonly forecast = inject(ForecastStore);
  private readonly ghost = inject(GhostStore);
  private readonly shelf = inject(ShelfService);
  private worker: NewestWorker<WireQuestion, WireAnswer> | null = null;
  /** What was asked last. */
  private asked: WireQuestion | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly direction = innerWidth < NARROW_PX ? 'down' : 'across';

  /** What the wiring hangs on: not the hours of the sky, which change while it is painted. */
  private readonly question = computed<WireQuestion | null>(() => {
    const trip = this.plan.calculated();
    return trip && this.forecast.answered()
      ? { trip, shelf: this.shelf.gear(), direction: this.direction }
      : null;
  });
  /** Whether its room is open: then there is no waiting. */
  readonly inRoom = signal(false);
  private readonly newest = signal<{ readonly trip: string; readonly is: WireAnswer } | null>(null);
  /** While the next one is calculated the last stands, but never that of another trip. */
  private readonly answer = computed(() => {
    const newest = this.newest();
    return newest && newest.trip === this.plan.trip()?.id ? newest.is : null;
  });

  readonly report = computed(() => this.answer()?.report ?? null);
  readonly drawing = computed(() => this.answer()?.drawing ?? null);
  readonly failed = signal(false);
  /** The part whose run, or which itself, is looked at. */
  readonly chosen = signal<{ readonly part: string; readonly on: 'run' | 'part' } | null>(null);
  readonly worst = computed(() => {
    const report = this.report();
    if (!report) return null;
    const [first] = report.checks;
    return first && first.severity !== 'note' ? first.severity : 'fine';
  });
  /** Ids of the parts whose run is another than before the changes that are not kept yet. */
  readonly changed = computed<ReadonlySet<string>>(() => {
    const before = this.ghost.before()?.trip;
    const trip = this.plan.trip();
    return before && trip ? changedCableRuns(before.harness, trip.harness) : new Set();
  });

  constructor() {
    effect(() => {
      const question = this.question();
      const rest = this.inRoom() ? 0 : REST_MS;
      const isMoving = this.plan.isMoving();
      clearTimeout(this.timer);
      // While a hand holds what it moves the processor is its own.
      if (!question || question === this.asked || isMoving) return;
      if (rest === 0) this.ask(question);
      else this.timer = setTimeout(() => this.ask(question), rest);
    });
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.worker?.dismiss();
  }

  private ask(question: WireQuestion): void {
    this.worker ??= new NewestWorker<WireQuestion, WireAnswer>(() => hireDesk('wire'), {
      answered: (answer, newest) => {
        this.failed.set(false);
        if (newest && this.asked) this.newest.set({ trip: this.asked.trip.id, is: answer });
      },
      failed: () => {
        this.asked = null;
        this.failed.set(true);
      },
    });
    this.asked = question;
    this.worker.ask(question);
  }
}
