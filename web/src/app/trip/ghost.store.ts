import { computed, inject, Injectable } from '@angular/core';
import { changedRuns } from '@knapsack/contract';
import { sayDifference, sayQuantity, signed } from '@knapsack/core';
import { bagCost, bagWeight } from '@knapsack/contract/edits';
import { PlanStore } from './trip.store';

/** Weight that is not worth a word, g. */
const LEAST_GRAMS = 5;

/** More of them than stand in one line. */
const MOST_WORDS = 3;

/** The plan before the last changes, and what they have done to it in words; stays until they are kept or undone. */
@Injectable()
export class GhostStore {
  private readonly store = inject(PlanStore);

  /** What the changes did, a few words each; empty where they did nothing that one would notice. */
  readonly words = computed<readonly string[]>(() => {
    const before = this.store.before();
    const trip = this.store.trip();
    const view = this.store.view();
    if (!before || !trip || !view || before.view === view) return [];
    const gear = this.store.gear();
    const words = [...sayDifference(before.view.verdict, view.verdict, trip.place.timeZone)];
    const grams = bagWeight(trip, gear).grams - bagWeight(before.trip, gear).grams;
    if (Math.abs(grams) >= LEAST_GRAMS)
      words.push(signed(grams, sayQuantity({ value: Math.abs(grams), unit: 'g' })));
    const runs = changedRuns(before.trip.harness, trip.harness).size;
    if (runs > 0) words.push(`${runs === 1 ? 'one run' : `${runs} runs`} wired otherwise`);
    const cost = bagCost(trip, gear) - bagCost(before.trip, gear);
    if (Math.round(cost) !== 0) words.push(`${signed(cost, `${Math.round(Math.abs(cost))}`)} in money`);
    // The lowest charge goes first where there is not room for all.
    return words.length > MOST_WORDS ? words.filter((_, at) => at !== 1) : words;
  });

  /** The plan before, where there is a difference to be seen. */
  readonly shown = computed(() => (this.words().length > 0 ? this.store.before() : null));

  /** What stands now is the plan from here on. */
  keep(): void {
    this.store.before.set(null);
  }

  /** Back to the plan before, in one step that can itself be undone. */
  takeBack(): void {
    const before = this.store.before();
    if (before) this.store.edit(() => before.trip);
  }
}
