import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { LanesStore } from '../trip/lanes.store';
import { fractionAt } from './time-scale';
import { SelectionStore } from '../trip/selection.store';

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
  private readonly selection = inject(SelectionStore);
  private readonly lanes = inject(LanesStore);
  protected readonly left = computed(() => {
    const cursorMs = this.selection.cursorMs();
    if (cursorMs === null) return null;
    const share = fractionAt(this.lanes.visible(), cursorMs);
    return share >= 0 && share <= 1 ? 100 * share : null;
  });
}
