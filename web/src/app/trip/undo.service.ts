import { inject, Injectable } from '@angular/core';
import { sayChange, sayFew, type ChangedAt } from '@knapsack/contract/edits';
import { FocusKeeper } from '../shell/focus-keeper.service';
import { NoticesService } from '../shell/notices.service';
import { BagStore } from './bag.store';
import { PlanSpeech } from './plan-speech';
import { SelectionStore } from './selection.store';
import { TripStore } from './trip.store';

/** Undo and redo as a person wants them: they say what they did and go there. */
@Injectable()
export class UndoService {
  private readonly store = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly selection = inject(SelectionStore);
  private readonly speech = inject(PlanSpeech);
  private readonly notices = inject(NoticesService);
  private readonly focus = inject(FocusKeeper);

  undo(): void {
    this.turn('Undone', () => this.store.undo());
  }

  redo(): void {
    this.turn('Redone', () => this.store.redo());
  }

  private turn(word: 'Undone' | 'Redone', turn: () => void): void {
    const before = this.store.trip();
    turn();
    const after = this.store.trip();
    if (!before || !after) return;
    const changes = sayChange(before, after, (id) => this.bag.gear().get(id)?.name ?? id);
    if (changes.length === 0) {
      this.notices.show({
        text: word === 'Undone' ? 'Nothing is left to undo.' : 'Nothing is left to redo.',
      });
      return;
    }
    this.speech.begin(word);
    this.notices.show({ text: `${word}: ${sayFew(changes)}.` }, 'unspoken');
    const { at } = changes[0];
    if (at.in === 'block') this.selection.select(after.blocks.some(({ id }) => id === at.id) ? at.id : null);
    // A button that is pressed again and again keeps the focus.
    if (!document.activeElement?.closest('button')) this.focus.go(() => placeOf(at));
  }
}

function placeOf(at: ChangedAt): HTMLElement | null {
  const id = 'id' in at ? CSS.escape(at.id) : '';
  switch (at.in) {
    case 'block':
      return document.querySelector(`[data-block="${id}"]`);
    case 'gear':
      return document.querySelector(`[data-gear="${id}"] button`);
    case 'sky':
      return document.querySelector('.sky-lane');
    default:
      return null;
  }
}

/** Undoes or redoes by u and Shift with u, or as the system has it; whether the key was one of these. */
export function undoByKey(
  undo: Pick<UndoService, 'undo' | 'redo'>,
  { key, ctrlKey, metaKey, altKey, shiftKey }: KeyboardEvent,
): boolean {
  if (altKey) return false;
  const letter = key.toLowerCase();
  const isUndo = ctrlKey || metaKey ? letter === 'z' && !shiftKey : key === 'u';
  const isRedo = ctrlKey || metaKey ? letter === 'y' || (letter === 'z' && shiftKey) : key === 'U';
  if (isUndo) undo.undo();
  else if (isRedo) undo.redo();
  return isUndo || isRedo;
}
