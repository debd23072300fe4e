import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { fixed, sayMoney, sayQuantity, sayTime } from '@knapsack/core';
import { MARKS } from '../../parts/marks';
import { TripStore } from '../../trip/trip.store';
import { VariantsStore, type VariantRow } from '../../trip/variants.store';

/** The variants side by side in a short table; their ridges stand in the picture above. */
@Component({
  selector: 'ks-variant-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="variant-table">
      <thead>
        <tr>
          <th scope="col">variant</th>
          <th scope="col">chance</th>
          <th scope="col">ends</th>
          <th scope="col">to spare</th>
          <th scope="col">lowest</th>
          <th scope="col">weighs</th>
          <th scope="col">costs</th>
          <th scope="col">survives</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.id) {
          <tr [class.in-hand]="row.id === null">
            <th scope="row">{{ row.name }}</th>
            <td>
              <i
                class="bi blaze"
                [class]="row.icon + ' ' + row.mark"
                role="img"
                [attr.aria-label]="row.word"
              ></i>
              {{ row.words }}
            </td>
            @for (cell of row.cells; track $index) {
              <td>{{ cell }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
})
export class VariantTableComponent {
  private readonly store = inject(TripStore);
  private readonly variants = inject(VariantsStore);
  protected readonly rows = computed(() => {
    const zone = this.store.trip()?.place.timeZone ?? 'UTC';
    return this.variants.rows().map((row) => ({
      id: row.id,
      name: row.name,
      mark: row.mark,
      ...MARKS[row.mark],
      words: row.words,
      cells: cellsOf(row, zone),
    }));
  });
}

function cellsOf({ view, grams, cost, survives, ofFailures }: VariantRow, zone: string): readonly string[] {
  const bag = [sayQuantity({ value: grams, unit: 'g' }), cost > 0 ? sayMoney(cost) : '–'];
  if (!view) return ['–', '–', '–', ...bag, '–'];
  const { endMs, marginAh, lowestSoc } = view.verdict;
  return [
    endMs === null ? 'lasts' : sayTime(endMs, zone),
    `${marginAh < 0 ? '−' : ''}${fixed(Math.abs(marginAh), 1)} Ah`,
    sayQuantity({ value: lowestSoc, unit: 'share' }),
    ...bag,
    endMs !== null ? '–' : survives === null ? '…' : `${survives} of ${ofFailures} failures`,
  ];
}
