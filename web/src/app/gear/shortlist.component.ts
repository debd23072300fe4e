import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import type { Radio, Trip, TripSummary } from '@knapsack/contract';
import {
  RADIO_SCHOOLS,
  sayQuantity,
  scoreRadio,
  type RadioSchool,
  type RadioThresholds,
} from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { choicesOf } from '../parts/choices';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { NoticesService } from '../shell/notices.service';
import { kitForOuting } from '@knapsack/contract/gear';

/** Radios by how well they suit work away from the mains, by a school's thresholds, each point with its reason. */
@Component({
  selector: 'ks-shortlist',
  imports: [InlineChoiceComponent, InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="shortlist" aria-labelledby="shortlist-title">
      <h2 id="shortlist-title">Which radio to carry</h2>
      <p>
        For
        <ks-choice
          label="Kind of operating"
          [value]="school()"
          [choices]="schools"
          (picked)="school.set($event)"
        />: receive current at most
        <ks-number
          field="receiveA"
          label="Receive current at most"
          [value]="asked().receiveA"
          (committed)="ask({ receiveA: $event })"
        />, transmit current at most
        <ks-number
          field="transmitA"
          label="Transmit current at most"
          [value]="asked().transmitA"
          (committed)="ask({ transmitA: $event })"
        />
        at 10 W, supply from
        <ks-number
          field="dropoutV"
          label="Supply window from"
          [value]="asked().fromV"
          (committed)="ask({ fromV: $event })"
        />
        to
        <ks-number
          field="maxV"
          label="Supply window to"
          [value]="asked().toV"
          (committed)="ask({ toV: $event })"
        />, charges while operating, quiet.
        @if (outings().length > 1) {
          My typical outing is
          <ks-choice
            label="Typical outing"
            [value]="outing()?.id ?? ''"
            [choices]="outings()"
            (picked)="take($event)"
          />.
        }
      </p>
      <ol>
        @for (row of rows(); track row.id) {
          <li>
            <span
              class="points"
              role="img"
              [attr.aria-label]="row.won + ' of ' + row.points.length + ' points'"
            >
              @for (point of row.points; track point.criterion) {
                <i
                  class="bi"
                  [class]="point.won ? 'bi-diamond-fill' : 'bi-diamond'"
                  [title]="point.why"
                  aria-hidden="true"
                ></i>
              }
            </span>
            <b>{{ row.name }}</b>
            <span class="muted">
              @if (row.kit) {
                <b>{{ row.kit }}</b>
              }
              {{ row.why }}
            </span>
          </li>
        }
      </ol>
    </section>
  `,
})
export class ShortlistComponent {
  readonly radios = input.required<readonly Radio[]>();
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);
  protected readonly schools = choicesOf(RADIO_SCHOOLS);
  protected readonly school = signal<RadioSchool>('overall');
  /** The school's thresholds until one of them is changed. */
  protected readonly asked = linkedSignal<RadioThresholds>(() => RADIO_SCHOOLS[this.school()]);

  protected readonly rows = computed(() =>
    this.radios()
      .map((radio) => {
        const points = scoreRadio(traitsOf(radio), this.asked());
        return {
          id: radio.id,
          name: radio.name,
          points,
          won: points.filter(({ won }) => won).length,
          why: points.map(({ why }) => why).join('; '),
          kit: this.kitWords(radio),
        };
      })
      .sort((a, b) => b.won - a.won || a.name.localeCompare(b.name, 'en')),
  );

  private readonly trips = signal<readonly TripSummary[]>([]);
  protected readonly outing = signal<Trip | null>(null);
  protected readonly outings = computed(() => [
    { value: '', label: 'not said' },
    ...this.trips().map(({ id, name }) => ({ value: id, label: name })),
  ]);

  constructor() {
    firstValueFrom(this.api.trips()).then(
      (trips) => this.trips.set(trips),
      (error: unknown) => this.notices.show({ text: problemText(error) }),
    );
  }

  protected async take(id: string): Promise<void> {
    try {
      this.outing.set(id === '' ? null : (await firstValueFrom(this.api.trip(id))).document);
    } catch (error) {
      this.notices.show({ text: problemText(error) });
    }
  }

  /** What the typical outing would take with a radio, where one is chosen. */
  private kitWords(radio: Radio): string | null {
    const trip = this.outing();
    if (!trip) return null;
    const { battery, marginAh, lessPower } = kitForOuting(trip, this.shelf.gear(), radio);
    const power = lessPower ? ', at its own highest power' : '';
    if (!battery) return `No battery of the shelf lasts alone${power}.`;
    const weight = battery.weightG ? ` of ${sayQuantity({ value: battery.weightG.value, unit: 'g' })}` : '';
    return `Takes ${battery.name}${weight}, ${sayQuantity({ value: marginAh, unit: 'Ah' })} to spare${power}.`;
  }

  protected ask(change: Partial<RadioThresholds>): void {
    this.asked.update((before) => ({ ...before, ...change }));
  }
}

function traitsOf(radio: Radio) {
  const { receiveA, receiveByEarA, transmit, dropoutV, fullPowerV, maxV, internal, quiet } = radio;
  return {
    figures: {
      receive: [{ amps: receiveA.value, source: receiveA.source }],
      ...(receiveByEarA && { receiveByEar: [{ amps: receiveByEarA.value, source: receiveByEarA.source }] }),
      transmit,
    },
    dropoutV: dropoutV.value,
    ...(fullPowerV && { fullPowerV: fullPowerV.value }),
    ...(maxV && { maxV: maxV.value }),
    chargesWhileOperating: internal?.chargesWhileOperating ?? false,
    ...(quiet !== undefined && { quiet }),
  };
}
