import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { spanOf } from './edits/blocks';
import { PlanStore } from './plan.store';
import { shareOf } from './time-scale';

/** The cursor's line through a lane. */
@Component({
  selector: 'ks-cursor-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (left() !== null) {
      <span class="cursor-line" [style.left.%]="left()"></span>
    }
  `,
})
export class CursorLineComponent {
  private readonly store = inject(PlanStore);
  protected readonly left = computed(() => {
    const trip = this.store.trip();
    const cursorMs = this.store.cursorMs();
    return trip && cursorMs !== null ? 100 * shareOf(spanOf(trip), cursorMs) : null;
  });
}
