import { inject } from '@angular/core';
import { positionOf } from '@knapsack/contract';
import { addBlock, freeStretch, spanOf, workForNew } from '@knapsack/contract/edits';
import { HOUR_MS } from '@knapsack/core';
import { newKey } from '../../data/new-id';
import { FocusKeeper } from '../../shell/focus-keeper.service';
import { BagStore } from '../../trip/bag.store';
import { SelectionStore } from '../../trip/selection.store';
import { TripStore } from '../../trip/trip.store';

/** What acts on the hours of operating. */
export interface WorkHands {
  readonly store: TripStore;
  readonly bag: BagStore;
  readonly selection: SelectionStore;
  readonly focus: FocusKeeper;
}

export const injectWorkHands = (): WorkHands => ({
  store: inject(TripStore),
  bag: inject(BagStore),
  selection: inject(SelectionStore),
  focus: inject(FocusKeeper),
});

/** Length of a block that a key or a button makes, where there is room. */
const NEW_BLOCK_MS = 2 * HOUR_MS;

/** The block's element in the work lane. */
export const elementOfBlock = (id: string): HTMLElement | null =>
  document.querySelector(`[data-block="${CSS.escape(id)}"]`);

/** Adds a block of operating after the chosen one, or where there is room, and goes to it. */
export function newBlock({ store, selection, bag, focus }: WorkHands): void {
  const trip = store.trip();
  if (!trip) return;
  const after = selection.selected();
  const position = after ? positionOf(after) : 1;
  const span = freeStretch(
    trip,
    after ? spanOf(after).endMs : (selection.cursorMs() ?? spanOf(trip).startMs),
    NEW_BLOCK_MS,
    position,
  );
  if (!span) return;
  const id = `b-${newKey()}`;
  const work = workForNew(trip, after, bag.radio());
  store.edit((now) => addBlock(now, id, span, work, position) ?? now);
  selection.select(id);
  focus.go(() => elementOfBlock(id));
}
