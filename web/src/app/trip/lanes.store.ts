import { computed, inject, Injectable, signal } from '@angular/core';
import type { Span } from '@knapsack/core';
import { spanOf } from '@knapsack/contract/edits';
import { TripStore } from './trip.store';
import { fitted, panned, zoomed } from './time-window';
import { SelectionStore } from './selection.store';

/** What the ridge shows of the same run: charge in the battery, or volts at the radio. */
export type RidgeFace = 'charge' | 'volts';

/** What the lanes show of the outing: all of it, or the window that they were drawn near to. */
@Injectable()
export class LanesStore {
  private readonly store = inject(TripStore);
  private readonly selection = inject(SelectionStore);
  private readonly asked = signal<Span | null>(null);

  /** Whether the hours stand beside the lanes as a table. */
  readonly asTable = signal(false);
  readonly face = signal<RidgeFace>('charge');
  readonly outing = computed<Span>(
    () => {
      const trip = this.store.trip();
      return trip ? spanOf(trip) : { startMs: 0, endMs: 1 };
    },
    { equal: (a, b) => a.startMs === b.startMs && a.endMs === b.endMs },
  );
  /** Null where all of the outing is shown. */
  readonly window = computed(() => fitted(this.asked(), this.outing()));
  readonly visible = computed<Span>(() => this.window() ?? this.outing());

  /** Draws near (times above 1) or away around an instant; around the cursor or the middle without one. */
  zoom(times: number, aroundMs = this.middle()): void {
    this.asked.set(zoomed(this.window(), this.outing(), times, aroundMs));
  }

  pan(byShare: number): void {
    this.asked.set(panned(this.window(), this.outing(), byShare));
  }

  show(window: Span | null): void {
    this.asked.set(window);
  }

  private middle(): number {
    const { startMs, endMs } = this.visible();
    const cursorMs = this.selection.cursorMs();
    return cursorMs !== null && cursorMs >= startMs && cursorMs <= endMs ? cursorMs : (startMs + endMs) / 2;
  }
}
