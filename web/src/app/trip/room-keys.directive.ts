import { Directive, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { GhostStore } from './ghost.store';
import { undoByKey, UndoService } from './undo.service';
import { KeysService } from '../shell/keys.service';

/** Undo, redo and keeping a change by key, in every room of a trip that has no keys of its own. */
@Directive({})
export class RoomKeysDirective {
  constructor() {
    const undo = inject(UndoService);
    const ghost = inject(GhostStore);
    const keys = inject(KeysService);
    keys.pressed.pipe(takeUntilDestroyed()).subscribe((event) => {
      // What has led to another room is spent.
      const isSpent = event.defaultPrevented || keys.waitsForRoom(event);
      if (isSpent) return;
      if (undoByKey(undo, event)) event.preventDefault();
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key !== 'k') return;
      event.preventDefault();
      ghost.keep();
    });
  }
}
