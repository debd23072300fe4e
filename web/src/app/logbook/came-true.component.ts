import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { cameTrue, LEAST_OUTINGS } from '@knapsack/contract/logbook';
import { fixed } from '@knapsack/core';
import { LogbookStore } from './logbook.store';

/** How well the chances that were told came true, by tens. */
@Component({
  selector: 'ks-came-true',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="came-true">Did the chances come true?</h2>
    @if (drawing(); as now) {
      <ul class="came-true" aria-labelledby="came-true">
        @for (row of now.rows; track row.told) {
          <li>
            <span>told {{ row.told }}</span>
            <span class="marks" aria-hidden="true">
              @for (mark of row.marks; track $index) {
                <i class="bi" [class]="mark"></i>
              }
            </span>
            <span>{{ row.words }}</span>
          </li>
        }
      </ul>
      <p class="muted">
        <i class="bi bi-diamond-fill fine" aria-hidden="true"></i> lasted
        <i class="bi bi-x-lg stop" aria-hidden="true"></i> ended early. {{ now.brier }}
      </p>
    } @else {
      <p class="muted">{{ least }} outings that were worked to their end say something of it.</p>
    }
  `,
})
export class CameTrueComponent {
  private readonly store = inject(LogbookStore);
  protected readonly least = LEAST_OUTINGS;
  protected readonly drawing = computed(() => {
    const found = cameTrue(this.store.known());
    if (!found) return null;
    return {
      rows: found.byTens.map(({ told, outings, lasted }) => ({
        told: `${fixed(100 * told, 0)} %`,
        marks: [
          ...Array.from({ length: lasted }, () => 'bi-diamond-fill fine'),
          ...Array.from({ length: outings - lasted }, () => 'bi-x-lg stop'),
        ],
        words: `${lasted} of ${outings} lasted`,
      })),
      brier: `Brier score ${fixed(found.brier, 2)}: 0 is a prophet, 0.25 is who always says even chances.`,
    };
  });
}
