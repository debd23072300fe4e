import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { OffDirective } from '../../parts/off.directive';
import { describeFix, describeFixes, type Fix } from '@knapsack/contract/what-if';
import { FocusKeeper } from '../../shell/focus-keeper.service';
import { TripStore } from '../../trip/trip.store';
import { WhatIfStore } from '../../trip/what-if.store';
import { ForecastStore } from '../../trip/forecast.store';

/** For a plan whose chance is under its target: the cheapest changes that would fix it, each put on with a click while the plan before stays as a ghost. */
@Component({
  selector: 'ks-fixes',
  imports: [OffDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (fixes(); as found) {
      @if (found.length > 0) {
        <p class="fixes">
          {{ heading() }}:
          @for (one of found; track one.fix.words) {
            <button type="button" class="fix" [ksOff]="!fresh()" (click)="putOn(one.fix)">
              <b>{{ one.fix.words }}</b> <span>{{ one.then }}</span>
            </button>
          }
        </p>
      }
    }
  `,
})
export class FixesComponent {
  private readonly store = inject(TripStore);
  private readonly forecast = inject(ForecastStore);
  private readonly focus = inject(FocusKeeper);
  private readonly whatIf = inject(WhatIfStore);

  protected readonly fresh = this.whatIf.fresh;
  /** Those of the plan before stand, faded, until the new ones are there: the lanes do not jump meanwhile. */
  protected readonly fixes = computed(() => {
    if (!this.fresh() && this.forecast.view()?.verdict.endMs === null) return [];
    return (this.whatIf.found()?.fixes ?? []).map((fix) => ({ fix, then: describeFix(fix) }));
  });
  protected readonly heading = computed(() => describeFixes(this.fixes().map(({ fix }) => fix)));

  protected putOn(fix: Fix): void {
    this.store.takePlan(fix.trip);
    // Never onto the next one, which would be applied by the same key pressed again.
    this.focus.go(() => document.querySelector<HTMLElement>('.verdict .sentence'));
  }
}
