import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { Gear } from '@knapsack/contract';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { compare } from '@knapsack/contract/gear';

/** Items side by side, the better of each line marked. */
@Component({
  selector: 'ks-compare',
  imports: [InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="compare" aria-labelledby="compare-title">
      <h2 id="compare-title">Side by side</h2>
      <p>
        At a typical load of
        <ks-number
          field="drawA"
          label="Typical load"
          [value]="loadA()"
          (committed)="loadA.set($event || 0.5)"
        />
        <button type="button" class="quiet" (click)="cleared.emit()">Clear</button>
      </p>
      <table>
        <tr>
          <td></td>
          @for (item of items(); track item.id) {
            <th scope="col">{{ item.name }}</th>
          }
        </tr>
        @for (row of rows(); track row.label) {
          <tr>
            <th scope="row">{{ row.label }}</th>
            @for (cell of row.cells; track $index) {
              <td [class.best]="row.best === $index">
                {{ cell }}
                @if (row.best === $index) {
                  <i class="bi bi-diamond-fill" role="img" aria-label="the better"></i>
                }
              </td>
            }
          </tr>
        }
      </table>
    </section>
  `,
})
export class CompareComponent {
  readonly items = input.required<readonly Gear[]>();
  readonly cleared = output();
  protected readonly loadA = signal(0.5);
  protected readonly rows = computed(() => compare(this.items(), this.loadA()));
}
