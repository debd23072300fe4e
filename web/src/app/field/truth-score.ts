import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { isWithin, sayLooks, sayTruth, truthAt } from '@knapsack/contract/field';
import { FieldStore } from './field.store';
import { OutingClock } from './outing-clock';

/** What is true beside what the room tells, and how often the truth lay in its range: what a trainer would say. Only a dry run knows. */
@Injectable()
export class TruthScore {
  private readonly store = inject(FieldStore);
  private readonly clock = inject(OutingClock);
  /** By the moment that was looked at: whether the truth lay in the range. */
  private readonly looks = signal<ReadonlyMap<number, boolean>>(new Map());

  private readonly pair = computed(() => {
    const view = this.store.view();
    if (!view || view.isRough) return null;
    const truth = truthAt(this.clock.truth(), view.nowMs);
    return truth && { truth, told: view.soc };
  });

  readonly told = computed(() => {
    const pair = this.pair();
    if (!pair) return null;
    const looks = [...this.looks().values()];
    const within = looks.filter(Boolean).length;
    return {
      said: sayTruth(pair.truth, pair.told),
      looks: looks.length > 1 ? sayLooks(within, looks.length) : '',
    };
  });

  constructor() {
    // Another outing is looked at anew.
    effect(() => {
      if (this.clock.truth().length === 0) this.looks.set(new Map());
    });
    effect(() => {
      const pair = this.pair();
      if (!pair) return;
      this.looks.update((before) => new Map(before).set(pair.truth.timeMs, isWithin(pair.truth, pair.told)));
    });
  }
}
