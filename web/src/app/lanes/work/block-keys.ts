import type { Block, Trip } from '@knapsack/contract';
import {
  changeBlock,
  moveBlock,
  QUARTER_MS,
  removeBlock,
  resizeBlock,
  spanOf,
  stepPower,
  stepShare,
} from '@knapsack/contract/edits';
import { HOUR_MS } from '@knapsack/core';
import { elementOfBlock, type WorkHands } from './new-block';

/** A step that a block takes: by a key while it has the focus, or by a button. */
export type BlockStep =
  'earlier' | 'later' | 'longer' | 'shorter' | 'lessPower' | 'morePower' | 'lowerShare' | 'higherShare';

const STEPS: ReadonlyMap<string, BlockStep> = new Map([
  ['ArrowLeft', 'earlier'],
  ['ArrowRight', 'later'],
  ['ArrowUp', 'longer'],
  ['ArrowDown', 'shorter'],
  ['[', 'lessPower'],
  [']', 'morePower'],
  [',', 'lowerShare'],
  ['.', 'higherShare'],
]);

/** The same as a browser tells it to a screen reader. */
export const BLOCK_KEYS = 'ArrowLeft ArrowRight ArrowUp ArrowDown [ ] , . Enter Delete';

/**
 * Changes a block by one step; several of one kind in a row are one step of undo.
 *
 * @param byMs how far it goes in time, ms
 */
export function stepBlock({ store, bag }: WorkHands, block: Block, step: BlockStep, byMs = QUARTER_MS): void {
  const { id } = block;
  const { startMs, endMs } = spanOf(block);
  const edit = (change: (trip: Trip) => Trip) => store.edit(change, `step ${step} ${id}`);
  switch (step) {
    case 'earlier':
      return edit((trip) => moveBlock(trip, id, startMs - byMs));
    case 'later':
      return edit((trip) => moveBlock(trip, id, startMs + byMs));
    case 'longer':
      return edit((trip) => resizeBlock(trip, id, 'end', endMs + byMs));
    case 'shorter':
      return edit((trip) => resizeBlock(trip, id, 'end', endMs - byMs));
    case 'lessPower':
    case 'morePower':
      return edit((trip) =>
        changeBlock(trip, id, { powerW: stepPower(bag.radioOf(block), block.powerW, step === 'morePower') }),
      );
    case 'lowerShare':
    case 'higherShare':
      return edit((trip) => changeBlock(trip, id, { share: stepShare(block.share, step === 'higherShare') }));
  }
}

/** Removes a block and goes to the one after it, else to the one before it. */
export function deleteBlock({ store, selection, focus }: WorkHands, id: string): void {
  const inOrder = (store.trip()?.blocks ?? []).toSorted((a, b) => spanOf(a).startMs - spanOf(b).startMs);
  const at = inOrder.findIndex((block) => block.id === id);
  const next = inOrder[at + 1] ?? inOrder[at - 1];
  store.edit((trip) => removeBlock(trip, id));
  selection.select(next?.id ?? null);
  focus.go(() => (next ? elementOfBlock(next.id) : document.querySelector<HTMLElement>('.add-hours')));
}

/** Does what a key says to the block that has the focus. Returns whether it was one of the block's keys. */
export function handleBlockKey(hands: WorkHands, id: string, event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return false;
  const block = hands.store.trip()?.blocks.find((one) => one.id === id);
  if (!block) return false;
  const step = STEPS.get(event.key);
  if (step) stepBlock(hands, block, step, event.shiftKey ? HOUR_MS : QUARTER_MS);
  else if (event.key === 'Delete' || event.key === 'Backspace') deleteBlock(hands, id);
  else return false;
  return true;
}
