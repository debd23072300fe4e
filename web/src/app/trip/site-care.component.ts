import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { siteCareOf } from '@knapsack/contract/site';
import type { SiteCare, SiteCareName } from '@knapsack/core';
import { BagStore } from './bag.store';
import { TripStore } from './trip.store';

const TIMES: readonly (readonly [SiteCare['at'], string])[] = [
  ['before', 'Before you go'],
  ['setting up', 'Setting up'],
  ['all the time', 'All the time'],
  ['leaving', 'Leaving'],
];

/** What the site asks for, in short sentences: all of it, or what belongs beside one thing. */
@Component({
  selector: 'ks-site-care',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (only()) {
      <ul class="cautions" [attr.aria-label]="label()">
        @for (one of care(); track one.id) {
          <li>{{ one.sentence }}</li>
        }
        <ng-content />
      </ul>
    } @else {
      @for (group of groups(); track group.at) {
        <h3 class="care-time">{{ group.at }}</h3>
        <ul class="cautions">
          @for (one of group.care; track one.id) {
            <li>{{ isShort() ? one.short : one.sentence }}</li>
          }
        </ul>
      }
    }
  `,
})
export class SiteCareComponent {
  readonly label = input('');
  /** In few words, as on a phone. */
  readonly isShort = input(false);
  readonly only = input<readonly SiteCareName[] | null>(null);
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  protected readonly care = computed(() => {
    const trip = this.plan.trip();
    if (!trip) return [];
    const only = this.only();
    const all = siteCareOf(trip, [...this.bag.gear().values()]);
    return only ? all.filter(({ id }) => only.includes(id)) : all;
  });
  protected readonly groups = computed(() =>
    TIMES.map(([at, words]) => ({ at: words, care: this.care().filter((one) => one.at === at) })).filter(
      ({ care }) => care.length > 0,
    ),
  );
}
