import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { packLabelOf, withEntry, type Battery, type FigureEntry } from '@knapsack/contract';
import {
  capacityTest,
  capacityTrend,
  CHEMISTRIES,
  fixed,
  sayDate,
  sayDuration,
  sayQuantity,
} from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { BenchStore } from './bench.store';
import { TripEffectsService, type MostNeeded } from './trip-effects.service';
import { today } from '../data/today';

/** A little above what the protection opens at: a test is ended before it. */
const ABOVE_CUTOFF = 1.03;
/** Of the label: what a battery is often given up at, where no trip says more. */
const FOUR_FIFTHS = 0.8;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** A capacity test: a battery discharged at a steady current down to a voltage, live through the simulated load or from a file. */
@Component({
  selector: 'ks-capacity-test',
  imports: [InlineChoiceComponent, InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (battery(); as tested) {
      <section aria-labelledby="capacity-title">
        <h2 id="capacity-title">Capacity test</h2>
        <p class="asking">
          The trace is
          <ks-choice
            label="Battery"
            [value]="tested.id"
            [choices]="choices()"
            (picked)="chosen.set($event)"
          />, full at its start, discharged down to
          <ks-number field="cutoffV" label="Down to" [value]="downToV()" (committed)="typedV.set($event)" />
          at
          <ks-number
            field="temperatureC"
            label="Temperature of the battery"
            [value]="temperatureC()"
            (committed)="temperatureC.set($event)"
          />.
          <button type="button" class="quiet" (click)="start(tested)">Discharge it with</button>
          <ks-number
            field="dischargeA"
            label="Test current"
            [value]="amps()"
            (committed)="amps.set($event)"
          />
          through the simulated load.
        </p>
        @if (result(); as found) {
          @if (found.ok) {
            <table class="marks">
              <tr>
                <th scope="row">gave</th>
                <td>{{ found.value.gave }}</td>
                <td class="muted">{{ found.value.how }}</td>
              </tr>
              <tr>
                <th scope="row">as the label counts</th>
                <td>{{ found.value.rating }}</td>
                <td class="muted">{{ found.value.health }}</td>
              </tr>
              @if (found.value.ohm; as ohm) {
                <tr>
                  <th scope="row">internal resistance</th>
                  <td>{{ ohm }}</td>
                  <td class="muted">from the steps of the current</td>
                </tr>
              }
              @if (trend(); as words) {
                <tr>
                  <th scope="row">over the years</th>
                  <td colspan="2">{{ words }}</td>
                </tr>
              }
            </table>
            <p>
              <button type="button" class="quiet" (click)="save(tested)">Save onto {{ tested.name }}</button>
            </p>
          } @else {
            <p class="muted">{{ found.problems[0].sentence }}</p>
          }
        }
      </section>
    }
  `,
})
export class CapacityTestComponent {
  private readonly store = inject(BenchStore);
  private readonly shelf = inject(ShelfService);
  private readonly effects = inject(TripEffectsService);
  protected readonly chosen = signal<string | null>(null);
  protected readonly typedV = signal<number | null>(null);
  protected readonly temperatureC = signal(20);
  protected readonly amps = signal(2);

  private readonly batteries = this.store.batteries;
  protected readonly battery = computed(
    () => this.batteries().find(({ id }) => id === this.chosen()) ?? this.batteries()[0] ?? null,
  );
  protected readonly choices = computed(() =>
    this.batteries().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly downToV = computed(() => {
    const battery = this.battery();
    const typed = this.typedV();
    if (typed !== null || !battery) return typed ?? 10;
    const { cutoffV, tableCells } = CHEMISTRIES[battery.chemistry];
    const opens = battery.cutoffV?.value ?? (cutoffV * battery.cellsInSeries) / tableCells;
    return Math.round(opens * ABOVE_CUTOFF * 10) / 10;
  });

  private readonly test = computed(() => {
    const battery = this.battery();
    const readings = this.store.readings();
    if (!battery || readings.timesMs.length < 2) return null;
    return capacityTest(readings, packLabelOf(battery, 1), this.downToV(), this.temperatureC());
  });
  protected readonly result = computed(() => {
    const test = this.test();
    if (!test) return null;
    if (!test.ok) return test;
    const { ampereHours, meanA, hours, ratingAh, health, ohm } = test.value;
    return {
      ok: true as const,
      value: {
        gave: sayQuantity({ value: ampereHours, unit: 'Ah' }),
        how: `${sayQuantity({ value: meanA, unit: 'A' })} for ${sayDuration(hours)}`,
        rating: sayQuantity({ value: ratingAh, unit: 'Ah' }),
        health: `${fixed(100 * health, 0)} % of the label, through Peukert and the cold`,
        ohm: ohm === null ? null : sayQuantity({ value: ohm, unit: 'ohm' }),
      },
    };
  });

  /** What the tests so far, this one among them, say of the years to come. */
  protected readonly trend = computed(() => {
    const battery = this.battery();
    const test = this.test();
    if (!battery || !test?.ok) return null;
    const { measuredAh } = battery;
    const before: readonly FigureEntry[] = measuredAh ? [measuredAh, ...(measuredAh.others ?? [])] : [];
    const days = before.flatMap(({ value, date }) =>
      date && DAY.test(date) ? [{ timeMs: Date.parse(date), ratingAh: value }] : [],
    );
    const need = this.need();
    const now = { timeMs: Date.parse(today()), ratingAh: test.value.ratingAh };
    const trend = capacityTrend(
      [...days.filter(({ timeMs }) => timeMs !== now.timeMs), now],
      need?.ampereHours ?? FOUR_FIFTHS * battery.ratedAh.value,
    );
    if (!trend) return null;
    const what = need ? `enough for ${need.tripName}` : 'four fifths of the label left';
    const until = trend.enoughUntilMs ? `; ${what} until ${sayDate(trend.enoughUntilMs, 'UTC')}` : '';
    return `${fixed(trend.ahPerYear, 2)} Ah a year${until}`;
  });
  /** What the user's trips need of the battery. */
  private readonly need = signal<MostNeeded | null>(null);

  constructor() {
    effect(() => {
      const battery = this.battery();
      const shelf = this.shelf.gear();
      this.need.set(null);
      if (!battery) return;
      this.effects.needOf(shelf, battery).then(
        (need) => this.need.set(need),
        // Without the trips the trend is told against the label.
        () => this.need.set(null),
      );
    });
  }

  protected start({ id }: Battery): void {
    this.store.startLoad(id, this.amps());
  }

  protected async save(battery: Battery): Promise<void> {
    const test = this.test();
    if (!test?.ok) return;
    const { ratingAh, ohm } = test.value;
    const entry = (value: number): FigureEntry => ({
      value: Number(value.toPrecision(4)),
      source: this.store.readingSource(),
      date: today(),
    });
    const saved = await this.store.saveGear(battery, {
      ...battery,
      measuredAh: withEntry(battery.measuredAh ?? null, entry(ratingAh)),
      ...(ohm !== null && ohm > 0 && { resistanceOhm: withEntry(battery.resistanceOhm ?? null, entry(ohm)) }),
    });
    if (saved) this.store.noteKept();
  }
}
