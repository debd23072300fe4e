import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { REPEATS, positionOf } from '@knapsack/contract';
import { ACTIVITIES, sayQuantity, sayTime, sayWork } from '@knapsack/core';
import { TripStore } from '../trip/trip.store';
import { BagStore } from '../trip/bag.store';

/** The hours of operating as a table: on paper, where a block cannot be pointed at. */
@Component({
  selector: 'ks-print-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table>
      <caption>
        Hours of operating
      </caption>
      <tbody>
        @for (row of rows(); track row.id) {
          <tr>
            <td>{{ row.when }}</td>
            <td>{{ row.what }}</td>
            <td>{{ row.how }}</td>
            <td>{{ row.position }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  host: { class: 'print-sheet' },
})
export class PrintSheetComponent {
  private readonly store = inject(TripStore);
  private readonly bag = inject(BagStore);
  protected readonly rows = computed(() => {
    const trip = this.store.trip();
    const radios = this.bag.positions();
    const zone = trip?.place.timeZone ?? 'UTC';
    return (trip?.blocks ?? []).map((block) => {
      const { id, start, end, mode, powerW, activity, share, repeat } = block;
      const when = `${sayTime(Date.parse(start), zone)} to ${sayTime(Date.parse(end), zone)}`;
      return {
        id,
        when: repeat ? `${when}, ${REPEATS[repeat]}` : when,
        what: sayWork({ mode, powerW }),
        how: `${ACTIVITIES[activity].label}, transmit duty cycle ${sayQuantity({ value: share, unit: 'share' })}`,
        position: radios.length > 1 ? (radios[positionOf(block) - 1]?.name ?? '') : '',
      };
    });
  });
}
