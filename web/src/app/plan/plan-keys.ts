import { positionOf, type Trip } from '@knapsack/contract';
import { HOUR_MS } from '@knapsack/core';
import { newKey } from '../data/new-id';
import {
  addBlock,
  changeBlock,
  freeStretch,
  moveBlock,
  QUARTER_MS,
  removeBlock,
  resizeBlock,
  spanOf,
  stepPower,
  stepShare,
  workForNew,
} from '@knapsack/contract/edits';
import type { LanesStore } from '../trip/lanes.store';
import type { BagStore } from '../trip/bag.store';
import type { GhostStore } from '../trip/ghost.store';
import type { SelectionStore } from '../trip/selection.store';
import type { TripStore } from '../trip/trip.store';

/** What the keys of the Plan room act on. */
export interface PlanHands {
  readonly store: TripStore;
  readonly bag: BagStore;
  readonly selection: SelectionStore;
  readonly ghost: GhostStore;
  readonly lanes: LanesStore;
}

/** Length of a block that a key makes, where there is room. */
const NEW_BLOCK_MS = 2 * HOUR_MS;

/** How much nearer a key draws, and how far it moves along. */
const NEARER = 1.6;
const PAN_SHARE = 0.25;

/**
 * What a key does in the Plan room.
 *
 * @returns whether the key was one of the room's
 */
export function handlePlanKey(hands: PlanHands, event: KeyboardEvent): boolean {
  const { store, selection, ghost, lanes } = hands;
  const withControl = event.ctrlKey || event.metaKey;
  if (withControl) {
    if (event.key.toLowerCase() === 'z') return done(event.shiftKey ? store.redo() : store.undo());
    if (event.key.toLowerCase() === 'y') return done(store.redo());
    return false;
  }
  switch (event.key) {
    case 'u':
      return done(store.undo());
    case 'U':
      return done(store.redo());
    case 'n':
      return done(newBlock(hands));
    case 'Escape':
      return done(selection.select(null));
    case 'k':
      return done(ghost.keep());
    case '+':
    case '=':
      return done(lanes.zoom(NEARER));
    case '-':
      return done(lanes.zoom(1 / NEARER));
    case '0':
      return done(lanes.show(null));
    case 'v':
      return done(lanes.face.update((face) => (face === 'charge' ? 'volts' : 'charge')));
  }
  return handleBlockKey(hands, event) || handleWindowKey(lanes, event);
}

/** Arrows without a selected block walk the window along the outing. */
function handleWindowKey(lanes: LanesStore, event: KeyboardEvent): boolean {
  const by = { ArrowLeft: -PAN_SHARE, ArrowRight: PAN_SHARE }[event.key];
  if (by === undefined || lanes.window() === null) return false;
  return done(lanes.pan(event.shiftKey ? by * 4 : by));
}

/** Keys that act on the selected block. */
function handleBlockKey({ store, selection, bag }: PlanHands, event: KeyboardEvent): boolean {
  const block = selection.selected();
  if (!block) return false;
  const { id } = block;
  const { startMs, endMs } = spanOf(block);
  const by = event.shiftKey ? HOUR_MS : QUARTER_MS;
  const edit = (change: (trip: Trip) => Trip) => done(store.edit(change, `key ${event.key} ${id}`));
  switch (event.key) {
    case 'ArrowLeft':
      return edit((trip) => moveBlock(trip, id, startMs - by));
    case 'ArrowRight':
      return edit((trip) => moveBlock(trip, id, startMs + by));
    case 'ArrowUp':
      return edit((trip) => resizeBlock(trip, id, 'end', endMs + by));
    case 'ArrowDown':
      return edit((trip) => resizeBlock(trip, id, 'end', endMs - by));
    case '[':
    case ']':
      return edit((trip) =>
        changeBlock(trip, id, { powerW: stepPower(bag.radioOf(block), block.powerW, event.key === ']') }),
      );
    case ',':
    case '.':
      return edit((trip) => changeBlock(trip, id, { share: stepShare(block.share, event.key === '.') }));
    case 'Delete':
    case 'Backspace':
      store.edit((trip) => removeBlock(trip, id));
      return done(selection.select(null));
  }
  return false;
}

/** Adds a block of operating after the chosen one, or where there is room. */
export function newBlock({ store, selection, bag }: Pick<PlanHands, 'store' | 'selection' | 'bag'>): void {
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
}

/** A key's work is done, whatever it gave. */
const done = (_result: void): true => true;
