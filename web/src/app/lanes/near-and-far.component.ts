import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { OffDirective } from '../parts/off.directive';
import { sayTime } from '@knapsack/core';
import { LanesStore } from '../trip/lanes.store';
import { TripStore } from '../trip/trip.store';

const NEARER = 2;

/** How much of the outing the lanes show, and buttons that draw near and away. */
@Component({
  selector: 'ks-near-and-far',
  imports: [OffDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="near-far">
      @if (shown(); as words) {
        <span class="visually-hidden" role="status">{{ words }}</span>
      }
      <button
        type="button"
        class="quiet"
        aria-label="Zoom out"
        [ksOff]="!lanes.window()"
        (click)="lanes.zoom(1 / nearer)"
      >
        <i class="bi bi-dash-circle" aria-hidden="true"></i>
      </button>
      <button type="button" class="quiet" aria-label="Zoom in" (click)="lanes.zoom(nearer)">
        <i class="bi bi-plus-circle" aria-hidden="true"></i>
      </button>
      <button type="button" class="quiet" [ksOff]="!lanes.window()" (click)="lanes.show(null)">all</button>
    </span>
  `,
})
export class NearAndFarComponent {
  protected readonly lanes = inject(LanesStore);
  private readonly store = inject(TripStore);
  protected readonly nearer = NEARER;

  /** Which hours are shown, where it is not all of them. */
  protected readonly shown = computed(() => {
    const window = this.lanes.window();
    const zone = this.store.trip()?.place.timeZone ?? 'UTC';
    return window ? `${sayTime(window.startMs, zone)} to ${sayTime(window.endMs, zone)}` : null;
  });
}
