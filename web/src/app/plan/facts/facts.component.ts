import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { reserveSocOf, targetOf, type Trip } from '@knapsack/contract';
import { cautions, ASSUMPTIONS, USUAL_TARGET_UP } from '@knapsack/core';
import { choicesOf } from '../../parts/choices';
import type { Choice } from '../../parts/choices';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { TripStore } from '../../trip/trip.store';
import { PanelFactsComponent } from './panel-facts.component';
import { ShadeFactsComponent } from './shade-facts.component';
import { WeatherFactsComponent } from './weather-facts.component';
import { BagStore } from '../../trip/bag.store';

/** What the sum takes for granted, as sentences to be corrected in place. */
@Component({
  selector: 'ks-facts',
  imports: [
    InlineChoiceComponent,
    InlineNumberComponent,
    PanelFactsComponent,
    ShadeFactsComponent,
    WeatherFactsComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.trip(); as trip) {
      <section class="facts" aria-labelledby="facts-title">
        <h2 id="facts-title">Assumptions</h2>
        <p>
          A battery charged to
          <ks-number
            field="startSoc"
            label="Charge when it was charged"
            [value]="trip.startSoc"
            (committed)="set({ startSoc: $event })"
          />,
          <ks-number
            field="storedDays"
            label="Days between charging and start"
            [value]="trip.storedDays ?? 0"
            (committed)="set({ storedDays: $event })"
          />
          before the start, that keeps
          <ks-number
            field="floorSoc"
            label="Reserve"
            [value]="reserveSoc()"
            (committed)="set({ floorSoc: $event })"
          />
          in reserve, at an air temperature of
          <ks-number
            field="temperatureC"
            label="Air temperature"
            [value]="trip.temperatureC"
            (committed)="set({ temperatureC: $event })"
          />. Target chance
          <ks-number
            field="targetChance"
            label="Target chance"
            [value]="target(trip)"
            (committed)="set({ targetChance: $event })"
          />.
        </p>
        <p>
          During the outing
          <ks-choice
            label="Who is there"
            [value]="trip.unattended ? 'nobody' : 'somebody'"
            [choices]="attendance"
            (picked)="setAttendance($event)"
          />.
          @if (trip.unattended) {
            After a low battery has switched the loads off, they
            <ks-choice
              label="What happens after a low battery"
              [value]="trip.restart ? 'back' : 'off'"
              [choices]="returns"
              (picked)="set({ restart: $event === 'back' })"
            />
            @if (trip.restart) {
              and should be up for
              <ks-number
                field="targetAvailability"
                label="Target availability"
                [value]="trip.targetAvailability ?? usualTargetUp"
                (committed)="set({ targetAvailability: $event })"
              />
              of the hours wanted.
            }
          }
        </p>
        @if (radios() > 1) {
          <p>
            Of the {{ radios() }} radios
            <ks-choice
              label="How many radios send at once"
              [value]="trip.oneSpeaks ? 'one' : 'all'"
              [choices]="speaking"
              (picked)="set({ oneSpeaks: $event === 'one' })"
            />.
          </p>
        }
        @if (severalBatteries()) {
          <p>
            Batteries used
            <ks-choice
              label="Use of the batteries"
              [value]="trip.batteryUse ?? 'parallel'"
              [choices]="uses"
              (picked)="set({ batteryUse: $event })"
            />.
            @if (trip.batteryUse === 'turns' && hasPanel()) {
              The sun charges
              <ks-choice
                label="What the sun charges"
                [value]="trip.chargeIdle ? 'idle' : 'used'"
                [choices]="charged"
                (picked)="set({ chargeIdle: $event === 'idle' })"
              />.
            }
          </p>
        }
        <p>
          Consumption figures
          <ks-choice
            label="Consumption figures"
            [value]="trip.rating ?? 'measured'"
            [choices]="assumptions"
            (picked)="set({ rating: $event })"
          />, data-sheet receive currents
          <ks-choice
            label="Data-sheet receive currents"
            [value]="trip.sheetsAsStated ? 'stated' : 'expected'"
            [choices]="sheets"
            (picked)="set({ sheetsAsStated: $event === 'stated' })"
          />, in steps of
          <ks-choice
            label="Step"
            [value]="'' + trip.stepMinutes"
            [choices]="steps"
            (picked)="setStep($event)"
          />.
        </p>
        @if (hasController()) {
          <p>
            The radio is fed
            <span class="together"
              ><ks-choice
                label="Where the radio gets its power"
                [value]="trip.radioOn ?? 'battery'"
                [choices]="supplies"
                (picked)="set({ radioOn: $event })"
              />.</span
            >
          </p>
        }
        @if (hasPanel()) {
          <ks-panel-facts />
          <ks-shade-facts />
          <ks-weather-facts />
        } @else {
          <p class="muted">No panel in the bag, so no solar in the forecast.</p>
        }
        @for (sentence of cautions(); track sentence) {
          <p class="caution"><i class="bi bi-exclamation-diamond" aria-hidden="true"></i> {{ sentence }}</p>
        }
      </section>
    }
  `,
})
export class FactsComponent {
  protected readonly target = targetOf;
  protected readonly store = inject(TripStore);
  protected readonly bag = inject(BagStore);
  protected readonly steps = [1, 5, 15].map((minutes) => ({
    value: `${minutes}`,
    label: minutes === 1 ? '1 minute' : `${minutes} minutes`,
  }));
  protected readonly uses: readonly Choice<NonNullable<Trip['batteryUse']>>[] = [
    { value: 'parallel', label: 'all together' },
    { value: 'turns', label: 'one after the other' },
  ];
  protected readonly speaking = [
    { value: 'all', label: 'all may send at once' },
    { value: 'one', label: 'one sends at a time' },
  ];
  protected readonly attendance = [
    { value: 'somebody', label: 'somebody is there' },
    { value: 'nobody', label: 'it runs unattended' },
  ];
  protected readonly returns = [
    { value: 'back', label: 'come back by themselves' },
    { value: 'off', label: 'stay off' },
  ];
  protected readonly usualTargetUp = USUAL_TARGET_UP;
  protected readonly charged = [
    { value: 'used', label: 'the one in use' },
    { value: 'idle', label: 'one that waits' },
  ];
  protected readonly supplies: readonly Choice<NonNullable<Trip['radioOn']>>[] = [
    { value: 'battery', label: 'straight from the battery' },
    { value: 'terminals', label: 'from the controller’s load terminals' },
  ];
  protected readonly assumptions = choicesOf(ASSUMPTIONS);
  protected readonly sheets = [
    { value: 'expected', label: 'as upper limits (× 0.88)' },
    { value: 'stated', label: 'at their word' },
  ];

  protected readonly hasPanel = computed(() => this.bag.panel() !== null);
  protected readonly hasController = computed(() => this.bag.controller() !== null);
  protected readonly radios = computed(() => {
    const gear = this.bag.gear();
    return this.bag
      .loadout()
      .reduce((sum, item) => sum + (gear.get(item.gear)?.kind === 'radio' ? item.count : 0), 0);
  });
  protected readonly severalBatteries = computed(() => {
    const gear = this.bag.gear();
    const packs = this.bag.loadout().filter(({ gear: id }) => {
      const kind = gear.get(id)?.kind;
      return kind === 'battery' || kind === 'station';
    });
    return packs.length > 1 || packs.some(({ count }) => count > 1);
  });

  protected readonly reserveSoc = computed(() => {
    const trip = this.store.trip();
    const battery = this.bag.battery();
    return trip && battery ? reserveSocOf(trip, battery) : (trip?.floorSoc ?? null);
  });

  protected readonly cautions = computed(() => {
    const battery = this.bag.battery();
    return battery ? cautions(battery.chemistry) : [];
  });

  protected set(change: Partial<Trip>): void {
    this.store.edit((trip) => ({ ...trip, ...change }));
  }

  /** An operating position that nobody reaches comes back by itself, unless said otherwise. */
  protected setAttendance(who: string): void {
    this.store.edit((trip) => {
      const { unattended: _was, restart: _came, ...attended } = trip;
      return who === 'nobody' ? { ...attended, unattended: true, restart: true } : attended;
    });
  }

  protected setStep(text: string): void {
    this.set({ stepMinutes: Number(text) as 1 | 5 | 15 });
  }
}
