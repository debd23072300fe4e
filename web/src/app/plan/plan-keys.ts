import { newBlock, type WorkHands } from '../lanes/work/new-block';
import type { GhostStore } from '../trip/ghost.store';
import type { LanesStore } from '../trip/lanes.store';
import { undoByKey, type UndoService } from '../trip/undo.service';

/** What the keys of the Plan room act on. */
export interface PlanHands extends WorkHands {
  readonly undo: Pick<UndoService, 'undo' | 'redo'>;
  readonly ghost: GhostStore;
  readonly lanes: LanesStore;
}

/** How much nearer a key draws, and how far it moves along. */
const NEARER = 1.6;
const PAN_SHARE = 0.25;

/**
 * What a key does in the Plan room.
 *
 * @returns whether the key was one of the room's
 */
export function handlePlanKey(hands: PlanHands, event: KeyboardEvent): boolean {
  const { undo, selection, ghost, lanes } = hands;
  if (undoByKey(undo, event)) return true;
  if (event.ctrlKey || event.metaKey) return false;
  switch (event.key) {
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
  return handleWindowKey(lanes, event);
}

/** Arrows walk the window along the outing, where nothing that has the focus takes them for itself. */
function handleWindowKey(lanes: LanesStore, event: KeyboardEvent): boolean {
  if (event.target !== document.body && !(event.target as Element).matches('main, main [tabindex="-1"]'))
    return false;
  const by = { ArrowLeft: -PAN_SHARE, ArrowRight: PAN_SHARE }[event.key];
  if (by === undefined || lanes.window() === null) return false;
  return done(lanes.pan(event.shiftKey ? by * 4 : by));
}

/** A key's work is done, whatever it gave. */
const done = (_result: void): true => true;
