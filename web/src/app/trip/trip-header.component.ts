import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { OffDirective } from '../parts/off.directive';
import { moveOuting, setOuting, setSite, type Trip, type Waypoint } from '@knapsack/contract';
import {
  hoursOf,
  readCoordinates,
  sayCoordinates,
  sayDay,
  sayDuration,
  sayHour,
  toLocator,
} from '@knapsack/core';
import { InlineTextComponent } from '../parts/inline-text.component';
import { InlineSpanComponent } from '../parts/inline-span.component';
import { TrailComponent } from './trail.component';
import { DifferenceComponent } from './difference.component';
import { spanOf } from '@knapsack/contract/edits';
import { localZone } from '../data/new-trip';
import { ServerWatch } from '../data/server-watch.service';
import { PageTitles } from '../shell/page-titles';
import { NoticesService } from '../shell/notices.service';
import { SiteFileComponent } from '../parts/site-file.component';
import { UndoService } from './undo.service';
import { TripStore } from './trip.store';

const SAVE_WORDS = {
  saved: 'saved',
  saving: 'saving …',
  offline: 'the server is away; kept in this browser',
  conflict: 'not saved',
  refused: 'not saved',
};
const TRIED_AGAIN = 'not saved yet; kept in this browser and tried again';
const NOT_KEPT = 'not saved, and this browser keeps nothing: do not close this page';

/** A room that says itself what the last changes did, where it draws them. */
export interface TellsDifference {
  readonly tellsDifference: true;
}

/** A room that wants the height of the screen for itself, as one that is held in a hand. */
export interface WantsHeight {
  readonly wantsHeight: true;
}

/** The trip's name, place and hours; undo and redo; whether it is saved. */
@Component({
  selector: 'ks-trip-header',
  imports: [
    OffDirective,
    DifferenceComponent,
    InlineSpanComponent,
    InlineTextComponent,
    SiteFileComponent,
    TrailComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.trip(); as trip) {
      <header class="plan-header" [class.brief]="brief()">
        <div class="name-row">
          <h1 class="visually-hidden">{{ trip.name }}, {{ titles.page() }}</h1>
          <div class="trip-title">
            <ks-text label="Name of the trip" [value]="trip.name" (committed)="rename($event)" />
          </div>
          <ks-trail />
        </div>
        <p class="where">
          <ks-text label="Place" [value]="trip.place.name" (committed)="replace($event)" />
          <ks-text
            label="Latitude and longitude, or a locator"
            [value]="coordinates()"
            [refuse]="refuseCoordinates"
            (committed)="setCoordinates($event)"
          />
          <ks-place-file (picked)="setPoint($event)" />
          @if (locator(); as name) {
            <span class="muted" title="Maidenhead locator">{{ name }}</span>
          }
          <ks-span
            startLabel="Outing starts"
            endLabel="Outing ends"
            [span]="span()"
            [zone]="trip.place.timeZone"
            [acceptStart]="acceptStart"
            [acceptEnd]="acceptEnd"
          />
          @if (otherZone(); as zone) {
            <span class="muted" title="Hours are those of this time zone">{{ zone }}</span>
          }
          <span class="muted">{{ length() }}</span>
        </p>
        <div class="plan-tools">
          <span class="save-state" [class]="store.saving().is" role="status">{{ saveWords() }}</span>
          <button type="button" class="quiet" [ksOff]="!store.canUndo()" (click)="turn.undo()">
            <i class="bi bi-arrow-counterclockwise" aria-hidden="true"></i> Undo
          </button>
          <button
            type="button"
            class="quiet"
            [ksOff]="!store.canRedo()"
            (click)="turn.redo()"
            aria-label="Redo"
          >
            <i class="bi bi-arrow-clockwise" aria-hidden="true"></i>
          </button>
        </div>
        @if (tellsDifference()) {
          <ks-difference />
        }
      </header>
      @if (store.saving().is === 'conflict') {
        <div class="banner" role="alert">
          This trip was changed or deleted elsewhere, perhaps in another tab. Nothing was overwritten.
          <button type="button" (click)="merge()">Bring both together</button>
          <button type="button" (click)="store.conflict.keepMine()">Keep what I see here</button>
          <button type="button" (click)="store.conflict.takeTheirs()">Use the other one</button>
        </div>
      }
      @if (refusal(); as why) {
        <div class="banner" role="alert">{{ why }} {{ keptWhere() }}</div>
      }
    }
  `,
})
export class TripHeaderComponent {
  /** Whether what the last changes did is told here. */
  readonly tellsDifference = input(true);
  /** On a narrow screen the name and the rooms alone. */
  readonly brief = input(false);
  protected readonly store = inject(TripStore);
  protected readonly titles = inject(PageTitles);
  protected readonly turn = inject(UndoService);
  private readonly notices = inject(NoticesService);
  private readonly watch = inject(ServerWatch);
  protected readonly span = computed(() => {
    const trip = this.store.trip();
    return trip ? spanOf(trip) : { startMs: 0, endMs: 1 };
  });
  protected readonly length = computed(() => sayDuration(hoursOf(this.span())));
  protected readonly coordinates = computed(() => {
    const { latitudeDeg, longitudeDeg } = this.store.trip()?.place ?? {};
    return latitudeDeg === undefined || longitudeDeg === undefined
      ? 'where on the map?'
      : sayCoordinates({ latitudeDeg, longitudeDeg });
  });
  protected readonly locator = computed(() => {
    const { latitudeDeg, longitudeDeg } = this.store.trip()?.place ?? {};
    return latitudeDeg === undefined || longitudeDeg === undefined
      ? null
      : toLocator({ latitudeDeg, longitudeDeg }, 6);
  });
  private readonly zone = computed(() => this.store.trip()?.place.timeZone);
  /** The zone that the hours are told in, where it is not the browser's own. */
  protected readonly otherZone = computed(() => {
    const zone = this.zone();
    return zone !== undefined && zone !== localZone() ? zone : null;
  });
  protected readonly saveWords = computed(() => {
    const state = this.store.saving();
    if (state.is === 'saved' && this.watch.away()) return this.asOf();
    if (state.is !== 'saved' && this.store.keepsNothing()) return NOT_KEPT;
    return state.is === 'refused' && state.again ? TRIED_AGAIN : SAVE_WORDS[state.is];
  });
  protected readonly keptWhere = computed(() =>
    this.store.keepsNothing()
      ? 'This browser keeps nothing either: leave this page open.'
      : 'Your plan is kept in this browser.',
  );
  protected readonly refusal = computed(() => {
    const state = this.store.saving();
    return state.is === 'refused' ? state.why : null;
  });

  /** What is said while the server is away and nothing waits for it. */
  private asOf(): string {
    const asOfMs = this.store.asOfMs();
    return asOfMs === null
      ? 'saved; the server is away'
      : `the server is away; as it had it ${sayDay(asOfMs, localZone())}, ${sayHour(asOfMs, localZone())}`;
  }

  /** The start moves the whole outing with its blocks; the end stretches or cuts it. */
  protected readonly acceptStart = (timeMs: number): string | null =>
    this.store.tryEdit((trip: Trip) => moveOuting(trip, timeMs));
  protected readonly acceptEnd = (timeMs: number): string | null =>
    timeMs <= this.span().startMs
      ? 'The outing must end after it starts.'
      : this.store.tryEdit((trip: Trip) => setOuting(trip, { ...spanOf(trip), endMs: timeMs }));

  protected readonly refuseCoordinates = (text: string): string | null => {
    const read = readCoordinates(text);
    return read.ok ? null : read.problems[0].sentence;
  };

  /** A new place brings its time zone along; the hours that were typed stay the hours that are shown. */
  protected async setCoordinates(text: string): Promise<void> {
    const read = readCoordinates(text);
    if (!read.ok) return;
    await this.move(read.value);
  }

  /** A point of a file: its name, and its height where it tells one. */
  protected async setPoint(point: Waypoint): Promise<void> {
    await this.move(point);
  }

  private async move(
    point: Partial<Waypoint> & Pick<Waypoint, 'latitudeDeg' | 'longitudeDeg'>,
  ): Promise<void> {
    const { timeZoneAt } = await import('@knapsack/core/time-zone');
    const timeZone = timeZoneAt(point);
    this.store.edit((trip) => setSite(trip, { ...trip.place, ...point, timeZone }));
  }

  protected async merge(): Promise<void> {
    const said = await this.store.conflict.merge();
    if (said) this.notices.show({ text: said });
  }

  protected rename(name: string): void {
    this.store.edit((trip) => ({ ...trip, name }));
  }

  protected replace(name: string): void {
    this.store.edit((trip) => ({ ...trip, place: { ...trip.place, name } }));
  }
}
