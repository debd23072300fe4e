import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { floorOf } from '@knapsack/contract';
import { cautions } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { PlanStore } from './plan.store';
import { SunFactsComponent } from './sun-facts.component';

/** What the sum takes for granted, as a sentence to be corrected in place. */
@Component({
  selector: 'ks-facts',
  imports: [InlineChoiceComponent, InlineNumberComponent, SunFactsComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.trip(); as trip) {
      <section class="facts" aria-labelledby="facts-title">
        <h2 id="facts-title">Reckoned with</h2>
        <p>
          A battery that starts at
          <ks-number
            field="startSoc"
            label="Charge at the start"
            [value]="trip.startSoc"
            (committed)="set({ startSoc: $event })"
          />
          and keeps
          <ks-number
            field="floorSoc"
            label="Reserve"
            [value]="floor()"
            (committed)="set({ floorSoc: $event })"
          />
          in reserve, in air of
          <ks-number
            field="temperatureC"
            label="Air temperature"
            [value]="trip.temperatureC"
            (committed)="set({ temperatureC: $event })"
          />, in steps of
          <ks-choice
            label="Step"
            [value]="'' + trip.stepMinutes"
            [choices]="steps"
            (picked)="setStep($event)"
          />.
        </p>
        <ks-sun-facts />
        @for (sentence of cautions(); track sentence) {
          <p class="caution"><i class="bi bi-exclamation-diamond" aria-hidden="true"></i> {{ sentence }}</p>
        }
      </section>
    }
  `,
})
export class FactsComponent {
  protected readonly store = inject(PlanStore);
  protected readonly steps = [1, 5, 15].map((minutes) => ({
    value: `${minutes}`,
    label: minutes === 1 ? '1 minute' : `${minutes} minutes`,
  }));

  protected readonly floor = computed(() => {
    const trip = this.store.trip();
    const battery = this.store.battery();
    return trip && battery ? floorOf(trip, battery) : (trip?.floorSoc ?? null);
  });

  protected readonly cautions = computed(() => {
    const battery = this.store.battery();
    return battery ? cautions(battery.chemistry) : [];
  });

  protected set(change: { startSoc?: number; floorSoc?: number; temperatureC?: number }): void {
    this.store.edit((trip) => ({ ...trip, ...change }));
  }

  protected setStep(text: string): void {
    const stepMinutes = Number(text) as 1 | 5 | 15;
    this.store.edit((trip) => ({ ...trip, stepMinutes }));
  }
}
