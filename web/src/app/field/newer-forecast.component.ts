import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { sayLasts, withNewerForecast, type Reforecast } from '@knapsack/contract/field';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { askOnce } from '../work/ask-once';
import type { FieldAnswer, FieldQuestion } from '../work/field-protocol';
import { FieldStore } from './field.store';

/** What the server takes at once. */
const LARGEST_FILE = 1_900_000;

/** A forecast that came during the outing: what it would mean, before it is taken for the hours that are left. */
@Component({
  selector: 'ks-newer-forecast',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="chips">
      <button type="button" class="chip" (click)="file.click()">
        <i class="bi bi-file-earmark-arrow-up" aria-hidden="true"></i>A newer forecast
      </button>
    </div>
    <input
      #file
      type="file"
      hidden
      accept=".json,.csv,.txt"
      aria-label="File with a newer forecast"
      (change)="look(file)"
    />
    <div role="status">
      @if (said()) {
        <p class="says">{{ said() }}</p>
      }
      @if (found(); as found) {
        @for (note of found.notes; track note) {
          <p class="says">{{ note }}</p>
        }
        <div class="chips">
          <button type="button" class="chip" (click)="take(found)">
            Take it for the hours that are left
          </button>
          <button type="button" class="chip" (click)="leave()">Leave it</button>
        </div>
      }
    </div>
  `,
})
export class NewerForecastComponent {
  private readonly api = inject(ApiService);
  private readonly trips = inject(TripStore);
  private readonly log = inject(OutingLog);
  private readonly shelf = inject(ShelfService);
  private readonly store = inject(FieldStore);
  protected readonly said = signal('');
  protected readonly found = signal<Reforecast | null>(null);

  protected async look(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    const trip = this.trips.calculated();
    const log = this.log.log();
    if (!file || !trip || !log) return;
    this.found.set(null);
    if (file.size > LARGEST_FILE) {
      this.said.set(`${file.name} is larger than a forecast of a month would be. Nothing was taken.`);
      return;
    }
    this.said.set('Looking at what it would mean …');
    try {
      const content = await file.text();
      const { document, notes } = await firstValueFrom(this.api.readWeather(content, trip.place.timeZone));
      const nowMs = this.store.nowMs();
      const newer = withNewerForecast(trip, document, nowMs);
      if (!newer.ok) return this.said.set(newer.problems[0].sentence);
      const question = { trip: newer.value.trip, log, shelf: this.shelf.gear(), nowMs, onlyFull: true };
      const answer = await askOnce<FieldQuestion, FieldAnswer>('field', question);
      if (!answer.ok) return this.said.set(answer.problems[0] ?? '');
      this.said.set(`With this forecast: ${sayLasts(answer.view.odds)}`);
      this.found.set({ ...newer.value, notes: [...notes, ...newer.value.notes] });
    } catch (error) {
      this.said.set(problemText(error));
    }
  }

  protected take({ trip: { weather } }: Reforecast): void {
    if (weather) this.trips.edit((trip) => ({ ...trip, weather }));
    this.found.set(null);
    this.said.set('Taken into the plan; undo takes it back.');
  }

  protected leave(): void {
    this.found.set(null);
    this.said.set('');
  }
}
