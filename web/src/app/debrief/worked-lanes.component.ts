import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { sayTime } from '@knapsack/core';
import { TripStore } from '../trip/trip.store';
import type { DebriefWork } from '../work/debrief-protocol';

/** Work as it was planned, and as it was worked, under each other on one axis. */
@Component({
  selector: 'ks-worked-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl class="worked-lanes">
      @for (lane of lanes(); track lane.name) {
        <dt>{{ lane.name }}</dt>
        <dd>
          <ol>
            @for (bar of lane.bars; track bar.left) {
              <li [style.left.%]="bar.left" [style.width.%]="bar.width" [title]="bar.full">
                <span aria-hidden="true">{{ bar.words }}</span>
                <span class="visually-hidden">{{ bar.full }}</span>
              </li>
            } @empty {
              <li class="none">nothing</li>
            }
          </ol>
        </dd>
      }
    </dl>
  `,
})
export class WorkedLanesComponent {
  readonly planned = input.required<readonly DebriefWork[]>();
  readonly worked = input.required<readonly DebriefWork[]>();
  private readonly trips = inject(TripStore);

  protected readonly lanes = computed(() => {
    const trip = this.trips.trip();
    if (!trip) return [];
    const [startMs, endMs] = [Date.parse(trip.start), Date.parse(trip.end)];
    const share = (timeMs: number) => (100 * (timeMs - startMs)) / (endMs - startMs);
    const zone = trip.place.timeZone;
    const bars = (work: readonly DebriefWork[]) =>
      work.map(({ startMs: from, endMs: to, words }) => ({
        words,
        left: share(from),
        width: share(to) - share(from),
        full: `${words} from ${sayTime(from, zone)} to ${sayTime(to, zone)}`,
      }));
    return [
      { name: 'planned', bars: bars(this.planned()) },
      { name: 'worked', bars: bars(this.worked()) },
    ];
  });
}
