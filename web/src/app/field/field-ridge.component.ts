import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ChargeRidgeComponent, type ChargeRidge } from '../lanes/charge-ridge.component';
import { ForecastStore } from '../trip/forecast.store';
import { TripStore } from '../trip/trip.store';
import { FieldStore } from './field.store';
import { OutingClock } from './outing-clock';

/** The charge over the outing under way: the plan behind, what was read as points, from now on what may come. */
@Component({
  selector: 'ks-field-ridge',
  imports: [ChargeRidgeComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (ridge(); as ridge) {
      <ks-charge-ridge [of]="ridge" />
    }
  `,
})
export class FieldRidgeComponent {
  private readonly store = inject(FieldStore);
  private readonly trips = inject(TripStore);
  private readonly clock = inject(OutingClock);
  private readonly forecast = inject(ForecastStore);

  protected readonly ridge = computed((): ChargeRidge | null => {
    const view = this.store.view();
    const trip = this.trips.trip();
    if (!view || !trip) return null;
    const plan = this.forecast.view();
    const { past, next, nowMs, readings, reserveSoc, zone } = view;
    return {
      ...{ past, next, nowMs, readings, reserveSoc, zone },
      startMs: Date.parse(trip.start),
      endMs: Date.parse(trip.end),
      planned: { timesMs: plan?.edgesMs ?? [], soc: plan?.soc ?? [] },
      truth: this.clock.truth(),
    };
  });
}
