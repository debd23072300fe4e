import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { filter, fromEvent, type Observable } from 'rxjs';

const ROOMS: Record<string, string> = { t: '/', g: '/gear', b: '/bench', s: '/sum', d: '/backup' };
/** Rooms of the trip that one is in. */
const TRIP_ROOMS: Record<string, string> = {
  p: '',
  z: '/size',
  w: '/wire',
  k: '/pack',
  r: '/rehearse',
  c: '/card',
};
/** How long after g the letter of a room may come, ms. */
const G_WAITS_MS = 1500;

/** Keys pressed outside of any field, and the way to a room by g and its letter. */
@Injectable({ providedIn: 'root' })
export class KeysService {
  private readonly router = inject(Router);
  private lastG = -Infinity;

  /** Keys that no field, dialog or open menu takes for itself. */
  readonly pressed: Observable<KeyboardEvent> = fromEvent<KeyboardEvent>(document, 'keydown').pipe(
    filter((event) => !event.defaultPrevented && !takesKeys(event.target)),
  );

  constructor() {
    this.pressed.subscribe((event) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const room = this.waitsForRoom(event) ? this.roomOf(event.key) : null;
      if (room !== null) {
        this.lastG = -Infinity;
        event.preventDefault();
        void this.router.navigateByUrl(room);
      } else if (event.key === 'g') this.lastG = event.timeStamp;
    });
  }

  private roomOf(key: string): string | null {
    const trip = /^\/trips\/[^/?]+/.exec(this.router.url)?.[0];
    if (trip && Object.hasOwn(TRIP_ROOMS, key)) return trip + TRIP_ROOMS[key];
    return ROOMS[key] ?? null;
  }

  /** True while g waits for its letter, so that no other shortcut takes it. */
  waitsForRoom(event: KeyboardEvent): boolean {
    return event.timeStamp - this.lastG < G_WAITS_MS;
  }
}

function takesKeys(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('input, textarea, select, [contenteditable], .dropdown-menu, .modal') !== null
  );
}
