import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { ReadingEntry } from '@knapsack/contract';
import { stretchesIn } from '@knapsack/contract/debrief';
import { INSTRUMENT_WORDS } from '@knapsack/contract/field';
import { fixed, onAir } from '@knapsack/core';
import { FileTaker } from '../trip/file-taker';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';

/** Where the actual comes from: what is in the log, by who entered it; a contact log or what an instrument recorded is taken in. */
@Component({
  selector: 'ks-debrief-sources',
  providers: [FileTaker],
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

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const trip = this.trips.trip();
    if (!file || !trip) return;
    this.said.set([]);
    this.said.set(await this.taker.take(file, Date.parse(trip.end)));
  }
}
