import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import {
  chanceMark,
  chanceSentence,
  chanceSum,
  planMark,
  sayLasting,
  sayLastingShort,
  type PlanMark,
  type SentencePart,
  type Sum,
} from '@knapsack/core';
import { markWithWire, missingIn, sayMissing, type Missing } from '@knapsack/contract';
import { ShelfService } from '../data/shelf.service';
import type { ForecastQuestion } from '../work/forecast-protocol';
import { hireForChance } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { TripStore } from './trip.store';
import type { ChanceAnswer } from '../work/chance-protocol';
import { ForecastStore } from './forecast.store';

/** How long the hand must rest before samples are drawn, ms; longer while it still holds what it moves. */
const REST_MS = 120;
const HELD_MS = 800;

const NO_CHANCE = 'The chance cannot be calculated, by a fault in Knapsack.';

/** What is said of a plan whose samples cannot be drawn. */
const NOTHING: ChanceAnswer = { chance: null, wire: null, tornado: null };

/** The chances of the plan as it stands; nothing of a plan before it is ever shown. */
@Injectable()
export class ChanceStore implements OnDestroy {
  private readonly store = inject(TripStore);
  private readonly forecast = inject(ForecastStore);
  private readonly shelf = inject(ShelfService);
  private worker: NewestWorker<ForecastQuestion, ChanceAnswer> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** What must be added before anything can be said of this plan. */
  readonly missing = computed<readonly Missing[]>(() => {
    const trip = this.store.trip();
    return trip ? missingIn(trip, this.shelf.gear()) : [];
  });
  /** What is asked as the plan and the shelf stand; null while it cannot be. */
  private readonly question = computed<ForecastQuestion | null>(
    () => {
      const trip = this.store.calculated();
      const shelf = this.shelf.gear();
      const ready =
        this.forecast.view() !== null && this.forecast.problems().length === 0 && this.missing().length === 0;
      return trip && ready ? { trip, shelf } : null;
      // A newer forecast of the same plan, as when its arithmetic is looked at, asks for no samples anew.
    },
    { equal: (a, b) => a === b || (a !== null && b !== null && a.trip === b.trip && a.shelf === b.shelf) },
  );
  private asked: ForecastQuestion | null = null;
  private readonly answer = signal<{ readonly of: ForecastQuestion; readonly is: ChanceAnswer } | null>(null);

  /** Whether more is to come of this very plan. */
  readonly isWorking = computed(() => {
    const question = this.question();
    const answer = this.answer();
    const isDone =
      answer !== null &&
      answer.of === question &&
      (answer.is.chance === null || answer.is.skyFactor !== undefined);
    return question !== null && !isDone;
  });
  /** Null while nothing is known of this very plan, with this very gear. */
  readonly chance = computed(() => {
    const answer = this.answer();
    return answer && answer.of === this.question() ? answer.is.chance : null;
  });
  /** What Wire says of this very plan; null while nobody has looked. */
  readonly wire = computed(() => (this.chance() ? (this.answer()?.is.wire ?? null) : null));
  readonly tornado = computed(() => (this.chance() ? (this.answer()?.is.tornado ?? null) : null));
  /** Below the target: the battery of this kind that would do, Ah, or null where none would; undefined while nobody has looked. */
  readonly wouldDoAh = computed(() => (this.chance() ? this.answer()?.is.wouldDoAh : undefined));
  /** The chance as a sentence; nothing where the plan has a problem, which is told in its place. */
  readonly sentence = computed<readonly SentencePart[]>(() => {
    const chance = this.chance();
    if (chance || this.isWorking()) return chanceSentence(chance);
    return this.forecast.problems().length > 0 ? [] : [NO_CHANCE];
  });
  readonly words = computed(() => {
    const chance = this.chance();
    return chance && sayLasting(chance);
  });
  /** The same without the last two words, where several stand together; what is missing, where something is. */
  readonly short = computed(() => {
    const chance = this.chance();
    return this.missing().length > 0 ? sayMissing(this.missing()) : chance ? sayLastingShort(chance) : '';
  });
  /** The mark of the plan as it stands. */
  readonly mark = computed<PlanMark>(() => {
    const view = this.forecast.view();
    if (this.missing().length > 0) return 'unknown';
    if (this.forecast.problems().length > 0) return 'stop';
    return view ? markWithWire(planMark(view.verdict, this.chance()), this.wire()) : 'calculating';
  });
  /** Whether all that is said of this plan has been said: its samples are done, and its typical outing is theirs. */
  readonly settled = computed(() => {
    const factor = this.chance() ? this.answer()?.is.skyFactor : undefined;
    return factor !== undefined && this.forecast.view()?.skyFactor === factor;
  });
  readonly sum = computed<Sum | null>(() => {
    const chance = this.chance();
    return chance && chanceSum(chance, this.tornado(), this.store.trip()?.place.timeZone ?? 'UTC');
  });

  /** How Plan stands on the trail; nothing while it is being calculated or something is missing. */
  readonly planSign = computed<'fine' | 'look' | 'stop' | null>(() => {
    const mark = this.mark();
    return mark === 'calculating' || mark === 'unknown' ? null : mark;
  });
  /** How Size stands: by the chance alone. */
  readonly sizeSign = computed<'fine' | 'look' | 'stop' | null>(() => {
    const chance = this.chance();
    return chance && chanceMark(chance, chance.target);
  });

  constructor() {
    effect(() => {
      const question = this.question();
      // The first is asked for at once: no hand has touched anything.
      const rest = this.store.isMoving() ? HELD_MS : this.asked ? REST_MS : 0;
      clearTimeout(this.timer);
      if (question === this.asked) return;
      this.worker?.drop();
      if (question) this.timer = setTimeout(() => this.ask(question), rest);
    });
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.worker?.dismiss();
  }

  private ask(question: ForecastQuestion): void {
    this.worker ??= new NewestWorker<ForecastQuestion, ChanceAnswer>(
      hireForChance,
      {
        answered: (is, newest) => {
          const of = this.asked;
          if (!newest || !of) return;
          this.answer.set({ of, is });
          const { skyFactor: factor } = is;
          if (factor !== undefined) this.forecast.moveSky({ trip: of.trip, shelf: of.shelf, factor });
        },
        failed: () => {
          if (this.asked) this.answer.set({ of: this.asked, is: NOTHING });
        },
      },
      true,
    );
    this.asked = question;
    this.worker.ask(question);
  }
}
