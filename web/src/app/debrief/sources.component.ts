import { ChangeDetectionStrategy, Component, computed, inject, signal, type OnDestroy } from '@angular/core';
import type { LogEntry, ReadingEntry } from '@knapsack/contract';
import { stretchesIn, withoutEarlierContacts } from '@knapsack/contract/debrief';
import { entriesOfRecord, INSTRUMENT_WORDS } from '@knapsack/contract/field';
import { fixed, onAir } from '@knapsack/core';
import { newKey } from '../data/new-id';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import type { ContactsAnswer, ContactsQuestion } from '../work/contacts-work';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';

/** Contact logs of a lifetime are smaller. */
const LARGEST_FILE = 50_000_000;
const IS_CONTACT_LOG = /<\s*(eor|eoh)\s*>/i;

/** Where the actual comes from: what is in the log, by who entered it; a contact log or what an instrument recorded is taken in. */
@Component({
  selector: 'ks-debrief-sources',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="debrief-sources">Where the actual comes from</h2>
    <ul class="debrief-sources" aria-labelledby="debrief-sources">
      @for (row of rows(); track row) {
        <li>{{ row }}</li>
      }
    </ul>
    <p>
      <button type="button" class="quiet" (click)="file.click()">
        <i class="bi bi-file-earmark-arrow-up" aria-hidden="true"></i> Take in a file
      </button>
      <span class="muted">a contact log (ADIF), or what an instrument recorded</span>
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
      @if (count() !== null) {
        <p>
          {{ count() }} contacts read …
          <button type="button" class="quiet" (click)="stop()">Stop</button>
        </p>
      } @else {
        @for (sentence of said(); track sentence) {
          <p>{{ sentence }}</p>
        }
      }
    </div>
  `,
})
export class DebriefSourcesComponent implements OnDestroy {
  private readonly log = inject(OutingLog);
  private readonly trips = inject(TripStore);
  private worker: NewestWorker<ContactsQuestion, ContactsAnswer> | null = null;
  /** Contacts that were read so far; null while none are. */
  protected readonly count = signal<number | null>(null);
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

  ngOnDestroy(): void {
    this.worker?.dismiss();
  }

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const trip = this.trips.trip();
    if (!file || !trip) return;
    this.said.set([]);
    if (file.size > LARGEST_FILE) {
      return this.said.set([`${file.name} is larger than 50 MB. Nothing was taken in.`]);
    }
    const text = await file.text();
    if (IS_CONTACT_LOG.test(text)) return this.readContacts({ trip, text }, file.name);
    const found = entriesOfRecord(text, trip, Date.parse(trip.end));
    if (!found.ok) return this.said.set([found.problems[0].sentence]);
    this.add(file.name, found.value.entries, found.value.notes);
  }

  protected stop(): void {
    this.worker?.dismiss();
    this.worker = null;
    this.count.set(null);
    this.said.set(['Stopped. Nothing was taken in.']);
  }

  private readContacts(question: ContactsQuestion, name: string): void {
    this.worker?.dismiss();
    this.count.set(0);
    this.worker = new NewestWorker<ContactsQuestion, ContactsAnswer>(() => hireWorker('contacts'), {
      answered: (answer) => {
        if (answer.is === 'reading') return this.count.set(answer.count);
        this.count.set(null);
        if (answer.is === 'refused') return this.said.set([answer.why]);
        const { entries, notes } = answer;
        const gone = withoutEarlierContacts(this.log.standing(), entries, () => `e${newKey()}${newKey()}`);
        this.add(name, [...entries, ...gone], notes);
      },
      failed: () => {
        this.count.set(null);
        this.said.set([`${name} could not be read, by a fault in Knapsack. Nothing was taken in.`]);
      },
    });
    this.worker.ask(question);
  }

  private add(name: string, entries: readonly LogEntry[], notes: readonly string[]): void {
    const there = new Set(this.log.log()?.entries.map(({ id }) => id));
    const more = entries.filter(({ id }) => !there.has(id));
    if (more.length > 0) this.log.add(...more);
    this.said.set([
      more.length > 0 ? `${name} is taken in.` : `${name} was taken in before: nothing of it is new.`,
      ...notes,
    ]);
  }
}
