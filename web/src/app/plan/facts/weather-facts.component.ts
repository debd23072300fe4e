import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { OffDirective } from '../../parts/off.directive';
import {
  takeWeather,
  typicalWeather,
  usualCloud,
  usualTemperature,
  USUAL_WEATHER,
  type Weather,
  type WeatherDocument,
} from '@knapsack/contract';
import { AIR_WORDS, CLIMATES, sayQuantity, type ClimateWord } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../../data/api.service';
import { problemText } from '../../data/problem-text';
import { choicesOf, type Choice } from '../../parts/choices';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { NoticesService } from '../../shell/notices.service';
import { TripStore } from '../../trip/trip.store';

const SOURCE_WORDS = {
  typed: 'painted by hand',
  forecast: 'from a forecast file',
  simulated: 'simulated, not forecast',
} as const;

/** A file this large is no forecast of a month, bytes. */
const LARGEST_FILE = 1_900_000;

/** So far from the usual temperature the trip's own is worth another look, K. */
const FAR_FROM_USUAL_K = 3;

/** The weather in words, and where it may come from: what is usual, the simulated service, a forecast file. */
@Component({
  selector: 'ks-weather-facts',
  imports: [OffDirective, InlineChoiceComponent, InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      <ks-choice
        label="Air"
        [value]="weather().air"
        [choices]="airs"
        (picked)="setWeather({ air: $event })"
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
        [value]="cloud()"
        (committed)="setWeather({ cloud: $event })"
      />
      cloud where no hour is known,
      @if (weather().cloud === undefined) {
        {{ weather().climate ? 'by the climate' : 'since no climate is said' }};
      } @else {
        as you say
        <button type="button" class="quiet" (click)="byClimate()">by the climate instead</button>;
      }
      {{ source() }}.
    </p>
    @if (usualAir(); as usual) {
      <p>
        Usual there then: {{ usual.words }}, assumed.
        @if (usual.differs) {
          <button type="button" class="quiet" (click)="takeUsualAir()">take {{ usual.mean }}</button>
        }
      </p>
    }
    <p>
      Climate
      <ks-choice
        label="Climate"
        [value]="weather().climate ?? ''"
        [choices]="climates()"
        (picked)="setClimate($event)"
      />:
      <button type="button" class="quiet" [ksOff]="!weather().climate" (click)="usual()">
        typical for the season
      </button>
      <button type="button" class="quiet" [ksOff]="!weather().climate" (click)="simulate()">
        simulate it
      </button>
      <button type="button" class="quiet" (click)="file.click()">read a forecast file</button>
      <input
        #file
        type="file"
        hidden
        accept=".csv,.json,.txt,.tsv,text/csv,application/json"
        aria-label="Forecast file, CSV or JSON"
        (change)="readFile(file)"
      />
    </p>
  `,
})
export class WeatherFactsComponent {
  private readonly store = inject(TripStore);
  private readonly api = inject(ApiService);
  private readonly notices = inject(NoticesService);
  protected readonly airs = choicesOf(AIR_WORDS);
  protected readonly climates = computed((): readonly Choice<ClimateWord | ''>[] => [
    ...(this.weather().climate ? [] : [{ value: '' as const, label: 'not said' }]),
    ...choicesOf(CLIMATES),
  ]);
  protected readonly weather = computed<Weather>(() => this.store.trip()?.weather ?? USUAL_WEATHER);
  protected readonly source = computed(() => {
    const { hours = [], source = 'typed' } = this.weather();
    return hours.length > 0 ? `the hours are ${SOURCE_WORDS[source]}` : 'no hour is known';
  });

  protected readonly cloud = computed(() => {
    const trip = this.store.trip();
    return trip ? usualCloud(trip) : 0;
  });

  /** The usual temperature of the outing's hours, and whether the trip's own is far from it. */
  protected readonly usualAir = computed(() => {
    const trip = this.store.trip();
    const usual = trip && usualTemperature(trip);
    if (!trip || !usual) return null;
    const say = (value: number) => sayQuantity({ value: Math.round(value), unit: 'C' });
    return {
      mean: say(usual.meanC),
      words: `${say(usual.coldestC)} at the coldest, ${say(usual.warmestC)} at the warmest hour`,
      differs: Math.abs(trip.temperatureC - usual.meanC) >= FAR_FROM_USUAL_K,
    };
  });

  protected takeUsualAir(): void {
    this.store.edit((trip) => {
      const usual = usualTemperature(trip);
      return usual ? { ...trip, temperatureC: Math.round(usual.meanC) } : trip;
    });
  }

  protected setWeather(change: Partial<Weather>): void {
    this.store.edit((trip) => ({ ...trip, weather: { ...(trip.weather ?? USUAL_WEATHER), ...change } }));
  }

  protected setClimate(climate: ClimateWord | ''): void {
    if (climate) this.setWeather({ climate });
  }

  protected byClimate(): void {
    const { cloud: _own, ...weather } = this.weather();
    this.store.edit((trip) => ({ ...trip, weather }));
  }

  /** No hour known better than the climate's usual sky. */
  protected usual(): void {
    const { climate } = this.weather();
    if (climate) this.store.edit((trip) => ({ ...trip, weather: typicalWeather(trip, climate) }));
  }

  protected async simulate(): Promise<void> {
    const trip = this.store.trip();
    const { climate } = this.weather();
    if (!trip || !climate) return;
    const { latitudeDeg, longitudeDeg, heightM = 0 } = trip.place;
    if (latitudeDeg === undefined || longitudeDeg === undefined) {
      this.notices.show({ text: 'Say first where the outing is, by latitude and longitude or a locator.' });
      return;
    }
    const { start, end } = trip;
    await this.take(() =>
      firstValueFrom(this.api.simulatedWeather({ latitudeDeg, longitudeDeg, heightM, start, end, climate })),
    );
  }

  protected async readFile(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const zone = this.store.trip()?.place.timeZone;
    if (!file || !zone) return;
    if (file.size > LARGEST_FILE) {
      this.notices.show({
        text: `${file.name} is larger than a forecast of a month would be; nothing was read.`,
      });
      return;
    }
    const content = await file.text();
    const said: string[] = [];
    await this.take(async () => {
      const { document, notes } = await firstValueFrom(this.api.readWeather(content, zone));
      said.push(...notes);
      return document;
    }, said);
  }

  /** Takes a weather document into the trip, one step of undo, and says what was filled or left out. */
  private async take(ask: () => Promise<WeatherDocument>, said: string[] = []): Promise<void> {
    try {
      const document = await ask();
      const trip = this.store.trip();
      if (!trip) return;
      const { weather, notes } = takeWeather(document, trip);
      const before = this.store.trip()?.weather;
      this.store.edit((now) => ({ ...now, weather }));
      const all = [...said, ...notes];
      if (all.length > 0) {
        this.notices.show({
          text: all.join(' '),
          action: {
            label: 'Undo',
            run: () =>
              this.store.edit(({ weather: _taken, ...now }) => ({
                ...now,
                ...(before && { weather: before }),
              })),
          },
        });
      }
    } catch (error) {
      this.notices.show({ text: problemText(error) });
    }
  }
}
