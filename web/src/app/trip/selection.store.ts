import { computed, inject, Injectable, signal } from '@angular/core';
import type { Block } from '@knapsack/contract';
import { TripStore } from './trip.store';

/** What is looked at of the trip: the chosen block, and the instant under the cursor. */
@Injectable()
export class SelectionStore {
  private readonly store = inject(TripStore);
  private readonly chosen = signal<string | null>(null);
  private readonly instant = signal<number | null>(null);

  /** Whether the keys of a block are told beside it. */
  readonly hint = signal(false);
  readonly selectedId = this.chosen.asReadonly();
  readonly selected = computed<Block | null>(
    () => this.store.trip()?.blocks.find(({ id }) => id === this.chosen()) ?? null,
  );
  /** UTC epoch ms; null where there is none. */
  readonly cursorMs = this.instant.asReadonly();

  /** Chooses a block by its id, or none. */
  select(id: string | null): void {
    this.chosen.set(id);
  }

  /** Puts the cursor onto an instant, UTC epoch ms, or takes it away. */
  point(timeMs: number | null): void {
    this.instant.set(timeMs);
  }
}
