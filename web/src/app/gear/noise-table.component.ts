import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Gear } from '@knapsack/contract';
import { noiseTable } from '@knapsack/contract/noise';
import { fixed } from '@knapsack/core';

/** What was heard of controllers, converters and power stations, by band. */
@Component({
  selector: 'ks-noise-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (table().rows.length > 0) {
      <section class="noise-table" aria-labelledby="noise-title">
        <h2 id="noise-title">Noise by band</h2>
        <p class="muted">
          S-units that the noise floor rises with it on, as you heard it in Rehearse; a dash where it is not
          measured.
        </p>
        <div class="wide">
          <table class="noise">
            <thead>
              <tr>
                <th scope="col">switched on</th>
                @for (band of table().bands; track band) {
                  <th scope="col">{{ band }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of table().rows; track row.gear.id) {
                <tr>
                  <th scope="row">{{ row.gear.name }}</th>
                  @for (cell of row.cells; track $index) {
                    <td [class.heard]="cell?.isHeard">
                      {{ cell ? rise(cell.rise) : '–' }}
                      @if (cell?.isHeard) {
                        <i class="bi bi-triangle-fill look" role="img" aria-label="heard"></i>
                      }
                    </td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
      </section>
    }
  `,
})
export class NoiseTableComponent {
  readonly gear = input.required<readonly Gear[]>();
  protected readonly table = computed(() => noiseTable(this.gear()));
  protected readonly rise = (value: number): string => fixed(value, Number.isInteger(value) ? 0 : 1);
}
