import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { changedCableRuns, sameSum, type Trip } from '@knapsack/contract';
import type { ForecastView } from '../work/forecast-protocol';
import { ForecastStore } from './forecast.store';
import { sayDifference, sayMoney, sayQuantity, signed } from '@knapsack/core';
import { bagCost, bagWeight } from '@knapsack/contract/edits';
import { TripStore, type Turn } from './trip.store';
import { BagStore } from './bag.store';

/** Weight that is not worth a word, g. */
const LEAST_GRAMS = 5;

/** More of them than stand in one line. */
const MOST_WORDS = 3;

interface Held {
  readonly trip: Trip;
  readonly view: ForecastView;
}

/** The plan before the last changes, and what they have done to it in words; stays until they are kept or undone. */
@Injectable()
export class GhostStore {
  private readonly store = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly forecast = inject(ForecastStore);
  private readonly held = signal<Held | null>(null);

  /** The plan as it was before the changes that the user has not kept yet, with its forecast. */
  readonly before = this.held.asReadonly();

  /** What the changes did, a few words each; empty where they did nothing that one would notice. */
  readonly words = computed<readonly string[]>(() => {
    const before = this.held();
    const trip = this.store.trip();
    const view = this.forecast.view();
    if (!before || !trip || !view || before.view === view) return [];
    const gear = this.bag.gear();
    const words = [...sayDifference(before.view.verdict, view.verdict, trip.place.timeZone)];
    const grams = bagWeight(trip, gear).grams - bagWeight(before.trip, gear).grams;
    if (Math.abs(grams) >= LEAST_GRAMS)
      words.push(signed(grams, sayQuantity({ value: Math.abs(grams), unit: 'g' })));
    const runs = changedCableRuns(before.trip.harness, trip.harness).size;
    if (runs > 0) words.push(`${runs === 1 ? 'one run' : `${runs} runs`} wired otherwise`);
    const cost = bagCost(trip, gear) - bagCost(before.trip, gear);
    if (Math.round(cost) !== 0) words.push(`price ${signed(cost, sayMoney(Math.abs(cost)))}`);
    // The lowest charge goes first where there is not room for all.
    return words.length > MOST_WORDS ? words.filter((_, at) => at !== 1) : words;
  });

  /** The plan before, where there is a difference to be seen. */
  readonly shown = computed(() => (this.words().length > 0 ? this.held() : null));

  constructor() {
    this.store.turned.pipe(takeUntilDestroyed()).subscribe((turn) => {
      if (turn) this.remember(turn);
      else this.held.set(null);
    });
  }

  /** What stands now is the plan from here on. */
  keep(): void {
    this.held.set(null);
  }

  /** Back to the plan before, in one step that can itself be undone. Variants that were kept since stay. */
  takeBack(): void {
    const before = this.held();
    const trip = this.store.trip();
    if (!before || !trip) return;
    const { variants: _before, ...plan } = before.trip;
    this.store.takePlan({ ...plan, ...(trip.variants && { variants: trip.variants }) });
  }

  /** Holds on to the plan that a row of changes began with, until they are kept or undone. */
  private remember({ from, to }: Turn): void {
    const view = this.forecast.view();
    const held = this.held();
    if (held && sameSum(held.trip, to)) this.held.set(null);
    else if (!held && !sameSum(from, to) && view && this.forecast.problems().length === 0)
      this.held.set({ trip: from, view });
  }
}
