import { inject, Injectable } from '@angular/core';
import { newKey } from '../data/new-id';
import { FieldStore } from './field.store';
import { OutingClock } from './outing-clock';

/** Makes what all entries begin with: an id that no other device has, and the moment that the room is about. */
@Injectable()
export class EntryMaker {
  private readonly store = inject(FieldStore);
  private readonly clock = inject(OutingClock);
  private lastMs = 0;

  head(): { readonly id: string; readonly at: string } {
    const nowMs =
      this.store.isUnderWay() && this.store.asIfMs() === null ? this.clock.now() : this.store.nowMs();
    // What is entered one after the other stands so.
    this.lastMs = nowMs <= this.lastMs && this.lastMs - nowMs < 1000 ? this.lastMs + 1 : nowMs;
    return { id: `e${newKey()}${newKey()}`, at: new Date(this.lastMs).toISOString() };
  }
}
