import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { DrawingGroup } from '@knapsack/contract/harness';
import { HarnessShapesComponent } from '../parts/harness-shapes.component';
import { WireStore } from '../trip/wire.store';

const LEAST_SCALE = 0.86;

/** The harness as it will be wired; each run and each part can be chosen. */
@Component({
  selector: 'ks-harness',
  imports: [HarnessShapesComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as picture) {
      <svg
        class="harness"
        role="group"
        aria-label="Wiring of the kit"
        [attr.viewBox]="'0 0 ' + picture.width + ' ' + picture.height"
        [style.max-width.px]="picture.width * 1.15"
        [style.min-width.px]="picture.width * leastScale"
      >
        @for (group of picture.groups; track group.on + group.part) {
          <g
            class="drawn"
            [class.chosen]="isChosen(group)"
            [class.changed]="group.on === 'run' && store.changed().has(group.part)"
            [attr.role]="group.words ? 'button' : null"
            [attr.tabindex]="group.words ? 0 : null"
            [attr.aria-label]="group.words || null"
            [attr.aria-pressed]="group.words ? isChosen(group) : null"
            (click)="choose(group)"
            (keydown.enter)="choose(group)"
            (keydown.space)="$event.preventDefault(); choose(group)"
          >
            <rect
              class="press"
              [attr.x]="group.box.x - group.box.width / 2"
              [attr.y]="group.box.y - group.box.height / 2"
              [attr.width]="group.box.width"
              [attr.height]="group.box.height"
            />
            <g ksShapes [shapes]="group.shapes" />
          </g>
        }
      </svg>
    } @else if (store.failed()) {
      <p role="alert">
        The wiring cannot be shown, by a fault in Knapsack. What you typed is kept; reload the page.
      </p>
    } @else {
      <p class="muted">Drawing the wiring …</p>
    }
  `,
})
export class HarnessComponent {
  protected readonly store = inject(WireStore);
  /** Smaller than this its words cannot be read: it is moved under the finger instead. */
  protected readonly leastScale = LEAST_SCALE;
  protected readonly drawing = computed(() => this.store.drawing());

  protected isChosen({ part, on }: DrawingGroup): boolean {
    const chosen = this.store.chosen();
    return chosen?.part === part && chosen.on === on;
  }

  protected choose({ part, on, words }: DrawingGroup): void {
    if (words) this.store.chosen.set({ part, on });
  }
}
