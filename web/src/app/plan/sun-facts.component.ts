import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  resolve,
  USUAL_PLACE,
  USUAL_WEATHER,
  type AimChoice,
  type PanelPlace,
  type Weather,
} from '@knapsack/contract';
import { AIR_WORDS, bestFixedAim, MOUNTS, type AirWord, type GroundWord, type Mount } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { NoticesService } from '../shell/notices.service';
import { PlanStore } from './plan.store';

const AIM_CHOICES: readonly { readonly value: AimChoice['how']; readonly label: string }[] = [
  { value: 'flat', label: 'flat' },
  { value: 'fixed', label: 'tilted once' },
  { value: 'every', label: 'turned to the sun' },
  { value: 'hung', label: 'hung on a pack' },
];

/** What an aim begins with when it is chosen. */
const FIRST_AIM: Record<(typeof AIM_CHOICES)[number]['value'], AimChoice> = {
  flat: { how: 'flat' },
  fixed: { how: 'fixed', tiltDeg: 40, azimuthDeg: 180 },
  every: { how: 'every', minutes: 60 },
  at: { how: 'flat' },
  hung: { how: 'hung' },
};

/** The sky and the panel's place as sentences to be corrected in place. */
@Component({
  selector: 'ks-sun-facts',
  imports: [InlineChoiceComponent, InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (hasPanel()) {
      <p>
        The panel lies
        <ks-choice label="Aim" [value]="place().aim.how" [choices]="aims()" (picked)="setAim($event)" />
        @switch (place().aim.how) {
          @case ('fixed') {
            at
            <ks-number
              field="tiltDeg"
              label="Tilt"
              [value]="fixed().tiltDeg"
              (committed)="setFixed({ tiltDeg: $event })"
            />
            looking
            <ks-number
              field="azimuthDeg"
              label="Direction, from true north"
              [value]="fixed().azimuthDeg"
              (committed)="setFixed({ azimuthDeg: $event })"
            />
            true{{ compass() }}
            <button type="button" class="quiet" (click)="aimBest()">lay it best</button>
          }
          @case ('every') {
            every
            <ks-number
              field="aimMinutes"
              label="Time between turns"
              [value]="minutes()"
              (committed)="setPlace({ aim: { how: 'every', minutes: $event } })"
            />
          }
        }
        &ngsp;on
        <ks-choice
          label="Ground"
          [value]="place().ground"
          [choices]="grounds"
          (picked)="setPlace({ ground: asGround($event) })"
        />,
        <ks-choice
          label="Mount"
          [value]="place().mount"
          [choices]="mounts"
          (picked)="setPlace({ mount: asMount($event) })"
        />.
      </p>
      <p>
        <ks-choice
          label="Air"
          [value]="weather().air"
          [choices]="airs"
          (picked)="setWeather({ air: asAir($event) })"
        />
        air, wind
        <ks-number
          field="windMS"
          label="Wind"
          [value]="weather().windMS"
          (committed)="setWeather({ windMS: $event })"
        />,
        <ks-number
          field="cloud"
          label="Usual cloud"
          [value]="weather().cloud"
          (committed)="setWeather({ cloud: $event })"
        />
        cloud where no hour is painted.
      </p>
    } @else {
      <p class="muted">No panel in the bag, so no sun in the sum.</p>
    }
  `,
})
export class SunFactsComponent {
  private readonly store = inject(PlanStore);
  private readonly notices = inject(NoticesService);
  protected readonly airs = Object.entries(AIR_WORDS).map(([value, { label }]) => ({ value, label }));
  protected readonly mounts = Object.entries(MOUNTS).map(([value, { label }]) => ({ value, label }));
  protected readonly grounds = (['grass', 'snow', 'sand', 'water'] as const).map((value) => ({
    value,
    label: value,
  }));

  protected readonly hasPanel = computed(() => this.store.panel() !== null);
  protected readonly place = computed(() => this.store.trip()?.panelPlace ?? USUAL_PLACE);
  protected readonly weather = computed(() => this.store.trip()?.weather ?? USUAL_WEATHER);
  protected readonly aims = computed(() =>
    this.place().aim.how === 'at'
      ? [...AIM_CHOICES, { value: 'at', label: 'turned at its hours' }]
      : AIM_CHOICES,
  );
  protected readonly fixed = computed(() => {
    const { aim } = this.place();
    return aim.how === 'fixed' ? aim : { tiltDeg: 0, azimuthDeg: 180 };
  });
  protected readonly minutes = computed(() => {
    const { aim } = this.place();
    return aim.how === 'every' ? aim.minutes : null;
  });

  /** What a compass shows for the direction, where it has been looked up. */
  private readonly bearing = signal<{ readonly trueDeg: number; readonly compassDeg: number } | null>(null);
  protected readonly compass = computed(() => {
    const bearing = this.bearing();
    return bearing && bearing.trueDeg === this.fixed().azimuthDeg
      ? `, ${Math.round(bearing.compassDeg)} ° by compass,`
      : '';
  });

  protected asAir = (name: string): AirWord => name as AirWord;
  protected asMount = (name: string): Mount => name as Mount;
  protected asGround = (name: string): GroundWord => name as GroundWord;

  protected setAim(how: string): void {
    this.setPlace({ aim: FIRST_AIM[how as AimChoice['how']] });
  }

  protected setFixed(change: { tiltDeg?: number; azimuthDeg?: number }): void {
    const { tiltDeg, azimuthDeg } = this.fixed();
    this.setPlace({ aim: { how: 'fixed', tiltDeg, azimuthDeg, ...change } });
  }

  /** Lays the panel where it gathers the most light over the outing, and says what a compass shows there. */
  protected async aimBest(): Promise<void> {
    const trip = this.store.trip();
    const plan = trip && resolve(trip, [...this.store.gear().values()]);
    if (!plan?.ok || !plan.value.sun) return;
    const { sun, outing } = plan.value;
    const best = bestFixedAim(sun, outing);
    if (!best) return this.notices.show({ text: 'The sun does not rise during this outing.' });
    const azimuthDeg = Math.round(best.azimuthDeg);
    this.setFixed({ tiltDeg: Math.round(best.tiltDeg), azimuthDeg });
    const { compassBearing, declination } = await import('@knapsack/core/compass');
    this.bearing.set({
      trueDeg: azimuthDeg,
      compassDeg: compassBearing(azimuthDeg, declination(sun, outing.startMs)),
    });
  }

  protected setPlace(change: Partial<PanelPlace>): void {
    this.store.edit((trip) => ({ ...trip, panelPlace: { ...(trip.panelPlace ?? USUAL_PLACE), ...change } }));
  }

  protected setWeather(change: Partial<Weather>): void {
    this.store.edit((trip) => ({ ...trip, weather: { ...(trip.weather ?? USUAL_WEATHER), ...change } }));
  }
}
