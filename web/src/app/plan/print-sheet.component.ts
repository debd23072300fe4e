import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { REPEATS, stationOf } from '@knapsack/contract';
import { ACTIVITIES, sayQuantity, sayTime } from '@knapsack/core';
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
            <td>{{ row.station }}</td>
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
    const radios = this.bag.stations();
    const zone = trip?.place.timeZone ?? 'UTC';
    return (trip?.blocks ?? []).map((block) => {
      const { id, start, end, mode, powerW, activity, share, repeat } = block;
      const when = `${sayTime(Date.parse(start), zone)} to ${sayTime(Date.parse(end), zone)}`;
      return {
        id,
        when: repeat ? `${when}, ${REPEATS[repeat]}` : when,
        what: `${mode} ${powerW} W`,
        how: `${ACTIVITIES[activity].label}, ${sayQuantity({ value: share, unit: 'share' })} on transmit`,
        station: radios.length > 1 ? (radios[stationOf(block) - 1]?.name ?? '') : '',
      };
    });
  });
}
