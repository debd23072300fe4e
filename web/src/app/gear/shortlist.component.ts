import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  type OnDestroy,
} from '@angular/core';
import { targetOf, type Radio, type Trip, type TripSummary } from '@knapsack/contract';
import { RADIO_SCHOOLS, scoreRadio, type RadioSchool, type RadioThresholds } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { choicesOf } from '../parts/choices';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { needView, traitsOf } from './shortlist-words';
import { NoticesService } from '../shell/notices.service';
import type { RadioNeed } from '@knapsack/contract/gear';
import { noiseTable, quietOn } from '@knapsack/contract/noise';
import { kept, keep } from '../trip/kept-options';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import type { RadioNeedsQuestion } from '../work/radio-needs-work';

/** Candidates that were taken off the list, in this browser. */
const KEPT_AS = 'knapsack.candidates';

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
        />, charges while operating, quiet{{ bands().length > 0 ? ' on' : '.' }}
        @if (bands().length > 0) {
          <ks-choice
            label="Band on which it is quiet"
            [value]="band()"
            [choices]="bands()"
            (picked)="band.set($event)"
          />.
        }
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
      <p class="toggles" role="group" aria-label="Candidates">
        Candidates
        @for (radio of radios(); track radio.id) {
          <button
            type="button"
            class="toggle"
            [attr.aria-label]="'Candidate: ' + radio.name"
            [attr.aria-pressed]="!out().has(radio.id)"
            (click)="toggle(radio.id)"
          >
            {{ radio.name }}{{ radio.wished ? ' (wish list)' : '' }}
          </button>
        }
      </p>
      @if (outing(); as trip) {
        <p class="needs-head muted">
          For {{ trip.name }}, lasting in {{ percent(trip) }} of 100, the lightest battery and panel of any
          size: <i class="key radio" aria-hidden="true"></i> radio
          <i class="key battery" aria-hidden="true"></i> battery
          <i class="key panel" aria-hidden="true"></i> panel and controller
        </p>
      }
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
                  [class]="point.won ? 'bi-star-fill' : 'bi-star'"
                  [title]="point.why"
                  aria-hidden="true"
                ></i>
              }
            </span>
            <b>{{ row.name }}</b>
            <span class="muted">
              {{ row.why }}
            </span>
            @if (row.need; as need) {
              <div class="need">
                @if (need.bar; as bar) {
                  <span class="need-bar" aria-hidden="true">
                    <i class="radio" [style.width.%]="bar.radio"></i
                    ><i class="battery" [style.width.%]="bar.battery"></i
                    ><i class="panel" [style.width.%]="bar.panel"></i>
                  </span>
                }
                <b>{{ need.words }}</b> {{ need.shelf }}
              </div>
            }
          </li>
        }
      </ol>
    </section>
  `,
})
export class ShortlistComponent implements OnDestroy {
  readonly radios = input.required<readonly Radio[]>();
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);
  protected readonly schools = choicesOf(RADIO_SCHOOLS);
  protected readonly school = signal<RadioSchool>('overall');
  /** The school's thresholds until one of them is changed. */
  protected readonly asked = linkedSignal<RadioThresholds>(() => RADIO_SCHOOLS[this.school()]);

  /** Radios that one does not think of, by id. */
  protected readonly out = signal<ReadonlySet<string>>(
    new Set(kept<{ out: string[] }>(KEPT_AS, { out: [] }).out),
  );
  private readonly candidates = computed(() => this.radios().filter(({ id }) => !this.out().has(id)));
  private readonly needs = signal<readonly RadioNeed[]>([]);

  protected readonly band = signal('');
  /** Bands that somebody has listened on. */
  protected readonly bands = computed(() => {
    const { bands } = noiseTable(this.shelf.gear());
    return bands.length === 0
      ? []
      : [{ value: '', label: 'any band' }, ...bands.map((band) => ({ value: band, label: band }))];
  });

  protected readonly rows = computed(() =>
    this.candidates()
      .map((radio) => {
        const points = scoreRadio({ ...traitsOf(radio), ...this.noiseOf(radio) }, this.asked());
        return {
          id: radio.id,
          name: radio.name,
          points,
          won: points.filter(({ won }) => won).length,
          why: points.map(({ why }) => why).join('; '),
          need: this.outing() ? needView(radio, this.needs()) : null,
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

  private readonly worker = new NewestWorker<RadioNeedsQuestion, readonly RadioNeed[]>(
    () => hireWorker('radioNeeds'),
    { answered: (needs, newest) => newest && this.needs.set(needs), failed: () => this.needs.set([]) },
    true,
  );

  constructor() {
    effect(() => {
      const [trip, radios, shelf] = [this.outing(), this.candidates(), this.shelf.gear()];
      untracked(() => this.needs.set([]));
      if (trip && radios.length > 0) this.worker.ask({ trip, shelf, radios });
    });
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

  /** Where a band is named: whether with this radio nothing that switches was heard on it. */
  private noiseOf({ id }: Radio): { quiet?: boolean | undefined; quietOn?: string } {
    const band = this.band();
    if (!band) return {};
    const heard = this.shelf
      .gear()
      .map((gear) => quietOn(gear, band, id))
      .filter((quiet) => quiet !== null);
    const quiet = heard.length === 0 ? undefined : heard.every(Boolean);
    return { quiet, quietOn: band };
  }

  protected percent = (trip: Trip): number => Math.round(100 * targetOf(trip));

  protected toggle(id: string): void {
    const out = new Set(this.out());
    if (!out.delete(id)) out.add(id);
    this.out.set(out);
    keep(KEPT_AS, { out: [...out] });
  }

  ngOnDestroy(): void {
    this.worker.dismiss();
  }

  protected ask(change: Partial<RadioThresholds>): void {
    this.asked.update((before) => ({ ...before, ...change }));
  }
}
