import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink, RouterOutlet } from '@angular/router';
import { fromEvent } from 'rxjs';
import { ServerWatch } from '../data/server-watch.service';
import { PageTitles } from '../shell/page-titles';
import { PlanSpeech } from './plan-speech';
import { ChanceStore } from './chance.store';
import { BagStore } from './bag.store';
import { ForecastStore } from './forecast.store';
import { SelectionStore } from './selection.store';
import { GhostStore } from './ghost.store';
import { LanesStore } from './lanes.store';
import { LogStore } from './log.store';
import { OutingLog } from './outing-log';
import { TripHeaderComponent } from './trip-header.component';
import { TicksStore } from './ticks.store';
import { UndoService } from './undo.service';
import { TripStore } from './trip.store';
import { VariantsStore } from './variants.store';
import { WhatIfStore } from './what-if.store';
import { ROOM_STORES } from './room-signs';

/** One trip: its header with the trail of its rooms, and the room that one is in. What is known of it outlives the rooms. */
@Component({
  selector: 'ks-trip',
  imports: [RouterLink, RouterOutlet, TripHeaderComponent],
  providers: [
    TicksStore,
    LogStore,
    { provide: OutingLog, useExisting: LogStore },
    TripStore,
    BagStore,
    ForecastStore,
    SelectionStore,
    LanesStore,
    GhostStore,
    ChanceStore,
    WhatIfStore,
    VariantsStore,
    PlanSpeech,
    UndoService,
    ...ROOM_STORES,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.trip()) {
      <div class="plan">
        <ks-trip-header [tellsDifference]="!roomTells()" [brief]="roomIsBrief()" />
        <router-outlet (activate)="enter($event)" />
      </div>
    } @else if (store.openProblem(); as problem) {
      <div class="empty">
        <p role="alert">{{ problem }}</p>
        <p>
          <button type="button" class="solid" (click)="store.open(id())">Try again</button>
          <a routerLink="/">Back to the trips</a>
        </p>
      </div>
    }
  `,
})
export class TripPage {
  readonly id = input.required<string>();
  /** Whether the room that is open says itself what the last changes did. */
  protected readonly roomTells = signal(false);
  /** Whether the room wants the height of the screen for itself: the header tells the trip's name and its rooms alone there. */
  protected readonly roomIsBrief = signal(false);
  protected readonly store = inject(TripStore);
  private readonly log = inject(LogStore);

  constructor() {
    inject(PlanSpeech);
    const titles = inject(PageTitles);
    effect(() => titles.subject.set(this.store.trip()?.name ?? null));
    inject(DestroyRef).onDestroy(() => titles.subject.set(null));
    effect(() => {
      const id = this.id();
      untracked(() => void this.store.open(id));
    });
    inject(ServerWatch)
      .back.pipe(takeUntilDestroyed())
      .subscribe(() => {
        if (this.store.openProblem()) void this.store.open(this.id());
      });
    fromEvent(document, 'visibilitychange')
      .pipe(takeUntilDestroyed())
      .subscribe(() => {
        if (document.visibilityState !== 'visible') return;
        void this.store.refresh();
        void this.log.refresh();
      });
    fromEvent(window, 'pagehide')
      .pipe(takeUntilDestroyed())
      .subscribe(() => {
        // What stands in a field is taken as it stands, what a hand holds too; this browser keeps it until the server has it.
        this.store.settle();
        if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      });
    fromEvent<BeforeUnloadEvent>(window, 'beforeunload')
      .pipe(takeUntilDestroyed())
      .subscribe((event) => {
        const isLost = this.store.keepsNothing() && this.store.saving().is !== 'saved';
        if (isLost || this.log.wouldBeLost()) event.preventDefault();
      });
  }

  protected enter(room: object): void {
    this.roomTells.set('tellsDifference' in room);
    this.roomIsBrief.set('wantsHeight' in room);
  }
}
