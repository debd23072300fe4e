import { inject, Injectable } from '@angular/core';
import { Router } from '@angular/router';
import { filter, fromEvent, type Observable } from 'rxjs';

import { SettingsService } from './settings.service';
import { TRIP_ROOMS } from './trip-rooms';

/** Rooms beside the trips, by their key after g. */
const HALLS: ReadonlyMap<string, string> = new Map([
  ['t', '/'],
  ['g', '/gear'],
  ['b', '/bench'],
  ['l', '/logbook'],
  ['s', '/sum'],
  ['d', '/backup'],
  ['o', '/settings'],
  ['h', '/guide'],
]);
/** What lies open over the page: Escape closes it and does nothing else. */
const OPEN = '.popover, .dropdown-menu.show, .modal';
/** How long after g the letter of a room may come, ms. */
const G_WAITS_MS = 1500;

/** Keys pressed outside of any field, and the way to a room by g and its letter. */
@Injectable({ providedIn: 'root' })
export class KeysService {
  private readonly router = inject(Router);
  private readonly rooms = inject(TRIP_ROOMS, { optional: true }) ?? [];
  private readonly settings = inject(SettingsService).settings;
  private lastG = -Infinity;

  /** Keys that no field, dialog or open menu takes for itself; a letter by itself never from a link or a button. */
  readonly pressed: Observable<KeyboardEvent> = fromEvent<KeyboardEvent>(document, 'keydown').pipe(
    filter(
      (event) =>
        !event.defaultPrevented &&
        !takesKeys(event.target) &&
        !(event.key === 'Escape' && document.querySelector(OPEN)) &&
        !(isOneLetter(event) && (isPressed(event.target) || !this.settings().oneLetterKeys)),
    ),
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
    const room = this.rooms.find((one) => one.key === key);
    if (trip && room) return room.path === '' ? trip : `${trip}/${room.path}`;
    return HALLS.get(key) ?? null;
  }

  /** True while g waits for its letter, so that no other shortcut takes it. */
  waitsForRoom(event: KeyboardEvent): boolean {
    return event.timeStamp - this.lastG < G_WAITS_MS;
  }
}

/** A character by itself, which dictation and a cat type as well; "?" only lists the keys. */
const isOneLetter = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean =>
  key.length === 1 && key !== '?' && !ctrlKey && !metaKey && !altKey;

/** A link or a button, where who types a letter means something else. */
const isPressed = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('a[href], button, summary') !== null;

function takesKeys(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest(
      'input, textarea, select, [contenteditable], .dropdown-menu, .modal, .popover, .calendar',
    ) !== null
  );
}
