import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { TripStore } from '../../trip/trip.store';
import { readoutAt } from './readout';
import { ForecastStore } from '../../trip/forecast.store';
import { SelectionStore } from '../../trip/selection.store';

/** The reading under the cursor, in one fixed place. */
@Component({
  selector: 'ks-readout',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (readout(); as now) {
      <p class="readout">
        <span class="at">{{ now.time }}</span>
        <strong class="soc">{{ percent() }} %</strong>
        <span
          ><b>{{ now.terminalV }}</b> at battery</span
        >
        @if (now.radioV) {
          <span
            ><b>{{ now.radioV }}</b> at radio, key down</span
          >
        }
        @if (now.inA) {
          <span
            >in <b>{{ now.inA }}</b></span
          >
        }
        <span
          >out <b>{{ now.loadA }}</b></span
        >
        <span>{{ now.doing }}</span>
      </p>
    }
  `,
})
export class ReadoutComponent {
  private readonly store = inject(TripStore);
  private readonly forecast = inject(ForecastStore);
  private readonly selection = inject(SelectionStore);
  protected readonly readout = computed(() => {
    const view = this.forecast.view();
    return view && readoutAt(view, this.store.trip(), this.selection.cursorMs());
  });
  protected readonly percent = computed(() => Math.round((this.readout()?.soc ?? 0) * 100));
}
