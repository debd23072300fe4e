import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { ReadingEntry, ToldBy } from '@knapsack/contract';
import { entriesOfReadings, stretchesIn, type SourceSays } from '@knapsack/contract/debrief';
import { INSTRUMENT_WORDS } from '@knapsack/contract/field';
import { fixed, onAir, sayDuration, sayQuantity } from '@knapsack/core';
import { ReadingsFileComponent, type ReadingsOfFile } from '../parts/readings-file.component';
import { FileTaker } from '../trip/file-taker';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { DebriefContactsComponent } from './contacts.component';
import { DebriefStore } from './debrief.store';
import { TypedOutingComponent } from './typed-outing.component';

const SOURCE_WORDS: Readonly<Record<ToldBy, string>> = {
  ...INSTRUMENT_WORDS,
  ...{ typed: 'typed readings', contacts: 'the contact log', work: 'the work that was noted' },
};

/** Where the actual comes from: what is in the log, by who entered it; a contact log or what an instrument recorded is taken in. */
@Component({
  selector: 'ks-debrief-sources',
  imports: [DebriefContactsComponent, ReadingsFileComponent, TypedOutingComponent],
  providers: [FileTaker],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="debrief-sources">Where the actual comes from</h2>
    <ul class="debrief-sources" aria-labelledby="debrief-sources">
      @for (row of rows(); track row) {
        <li>{{ row }}</li>
      }
    </ul>
    @for (one of disagreements(); track one.sentence) {
      <p role="note">
        <b>They disagree.</b> {{ one.sentence }}
        @for (choice of one.choices; track choice.words) {
          <button type="button" class="chip" (click)="setAside(choice.aside, true)">
            {{ choice.words }}
          </button>
        }
      </p>
    }
    @for (source of aside(); track source.source) {
      <p>
        Set aside: {{ source.words }}.
        <button type="button" class="quiet" (click)="setAside(source.source, false)">
          Weigh it again<span class="visually-hidden">: {{ source.words }}</span>
        </button>
      </p>
    }
    <ks-debrief-contacts />
    <h3>In three figures</h3>
    <ks-typed-outing />
    <p>
      <button type="button" class="quiet" (click)="file.click()">
        <i class="bi bi-file-earmark-arrow-up" aria-hidden="true"></i> Take in a file
      </button>
      <span class="muted">a contact log (ADIF), or what an instrument recorded</span>
    </p>
    <p>
      <ks-readings-file label="Take in a meter’s table" [zone]="zone()" (taken)="takeTable($event)" />
      <span class="muted">time, volts and amps as CSV; which column is which can be said</span>
    </p>
    <input
      #file
      type="file"
      hidden
      accept=".adi,.adif,.txt,.log,.csv"
      aria-label="Contact log, or file of an instrument"
      (change)="take(file)"
    />
    <div role="status">
      @if (taker.count() !== null) {
        <p>
          {{ taker.count() }} contacts read …
          <button type="button" class="quiet" (click)="taker.stop()">Stop</button>
        </p>
      } @else {
        @for (sentence of said(); track sentence) {
          <p>{{ sentence }}</p>
        }
      }
    </div>
  `,
})
export class DebriefSourcesComponent {
  private readonly store = inject(DebriefStore);
  private readonly log = inject(OutingLog);
  private readonly trips = inject(TripStore);
  protected readonly taker = inject(FileTaker);
  protected readonly said = signal<readonly string[]>([]);

  protected readonly rows = computed(() => {
    const standing = this.log.standing();
    const readings = standing.filter((entry): entry is ReadingEntry => entry.kind === 'reading');
    const of = (source: string) => readings.filter((entry) => (entry.source ?? 'typed') === source).length;
    const { contacts, hours } = onAir(stretchesIn(standing));
    const instruments = Object.entries(INSTRUMENT_WORDS).map(
      ([source, words]) => [words, of(source)] as const,
    );
    return [
      ...[['Typed in Field', of('typed')] as const, ...instruments]
        .filter(([, number]) => number > 0)
        .map(([words, number]) => `${words}: ${number === 1 ? '1 reading' : `${number} readings`}`),
      ...(contacts > 0 ? [`Contact log: ${contacts} contacts in ${fixed(hours, 1)} h on the air`] : []),
    ];
  });

  /** What cannot both be right, and which to go by. */
  protected readonly disagreements = computed(() => {
    const aside = new Set(this.store.aside().map(({ source }) => source));
    return (this.store.view()?.disagreements ?? [])
      .filter(({ says }) => says.every(({ source }) => !aside.has(source)))
      .map(({ of, says: [one, other] }) => {
        const say = ({ source, value }: SourceSays) =>
          `${SOURCE_WORDS[source]}: ${of === 'charge' ? sayQuantity({ value, unit: 'Ah' }) : `${sayDuration(value)} on the air`}`;
        return {
          sentence: `${say(one)}; ${say(other)}.`,
          choices: [
            { words: `Go by: ${SOURCE_WORDS[one.source]}`, aside: other.source },
            { words: `Go by: ${SOURCE_WORDS[other.source]}`, aside: one.source },
          ],
        };
      });
  });
  protected readonly aside = computed(() =>
    this.store.aside().map(({ source }) => ({ source, words: SOURCE_WORDS[source] })),
  );

  protected setAside(source: ToldBy, isAside: boolean): void {
    this.store.change((notes) => ({
      ...notes,
      aside: [...notes.aside.filter((one) => one.source !== source), ...(isAside ? [{ source }] : [])],
    }));
  }

  protected readonly zone = computed(() => this.trips.trip()?.place.timeZone ?? 'UTC');

  protected takeTable({ readings, file, notes }: ReadingsOfFile): void {
    const trip = this.trips.trip();
    if (!trip) return;
    const found = entriesOfReadings(trip, readings);
    this.said.set(
      found.ok
        ? [...this.taker.add(trip, file, found.value.entries, found.value.notes), ...notes]
        : [found.problems[0].sentence],
    );
  }

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const trip = this.trips.trip();
    if (!file || !trip) return;
    this.said.set([]);
    this.said.set(await this.taker.take(file, Date.parse(trip.end)));
  }
}
