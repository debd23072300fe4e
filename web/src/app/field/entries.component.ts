import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { LogEntry } from '@knapsack/contract';
import { listedEntries, sayEntry, sayMeant } from '@knapsack/contract/field';
import { sayHour, sayTime } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { EntryMaker } from './entry-maker';
import { FieldStore } from './field.store';

/** What was entered, the last first, with what it meant and where it is. */
@Component({
  selector: 'ks-field-entries',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="entries-title" tabindex="-1">Entered</h2>
    @if (rows().length === 0) {
      <p class="muted">Nothing yet. The first reading tells where the outing really stands.</p>
    }
    <ol class="entries" aria-labelledby="entries-title">
      @for (row of rows(); track row.entry.id) {
        <li [class.odd]="row.isOdd">
          <span class="at">{{ row.at }}</span>
          <span class="what"
            ><b>{{ row.words }}</b
            >{{ row.meant ? ': ' + row.meant : '' }}{{ row.note ? ' “' + row.note + '”' : '' }}
            <span class="muted">{{ row.earlier }}</span></span
          >
          @if (isDry()) {
            <span></span>
          } @else {
            <i
              class="bi"
              [class]="row.here ? 'bi-phone' : 'bi-cloud-check'"
              role="img"
              [attr.aria-label]="row.here ? 'saved here' : 'on the server'"
            ></i>
          }
          <span class="row-tools">
            @if (row.isOdd && row.mayCount) {
              <button type="button" class="quiet" (click)="count(row.entry)">Count it</button>
            }
            <button
              type="button"
              class="quiet"
              [attr.aria-label]="'Take back ' + row.words + ' of ' + row.at"
              (click)="takeBack(row.entry)"
            >
              <i class="bi bi-arrow-counterclockwise" aria-hidden="true"></i><span>Take back</span>
            </button>
          </span>
        </li>
      }
    </ol>
  `,
})
export class FieldEntriesComponent {
  private readonly log = inject(OutingLog);
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly store = inject(FieldStore);
  private readonly make = inject(EntryMaker);

  protected readonly isDry = computed(() => this.log.state().is === 'dryRun');
  protected readonly rows = computed(() => {
    const zone = this.trips.trip()?.place.timeZone ?? 'UTC';
    const pending = this.log.pendingIds();
    const names = new Map(this.shelf.gear().map(({ id, name }) => [id, name]));
    const outcomes = new Map((this.store.view()?.readings ?? []).map((one) => [one.id, one]));
    const nowMs = this.store.nowMs();
    let day = '';
    const isOdd = (id: string) => outcomes.get(id)?.fits === false;
    return listedEntries(this.log.standing(), isOdd).map(({ entry, earlier }) => {
      const atMs = Date.parse(entry.at);
      const outcome = outcomes.get(entry.id);
      const full = sayTime(atMs, zone);
      const dayOf = full.slice(0, full.lastIndexOf(' '));
      const at = dayOf === day ? sayHour(atMs, zone) : full;
      day = dayOf;
      return {
        entry,
        at,
        words: sayEntry(entry, (gear) => names.get(gear) ?? gear),
        meant:
          entry.kind === 'reading' && outcome
            ? sayMeant(entry, outcome)
            : atMs > nowMs
              ? 'later than now'
              : '',
        note: entry.kind === 'note' ? '' : (entry.note ?? ''),
        here: pending.has(entry.id),
        isOdd: isOdd(entry.id),
        earlier:
          earlier === 0 ? '' : earlier === 1 ? '(1 reading before it)' : `(${earlier} readings before it)`,
        mayCount: entry.kind === 'reading' && entry.counts !== true,
      };
    });
  });

  protected takeBack(entry: LogEntry): void {
    this.log.add({ ...entry, id: this.make.head().id, replaces: entry.id, void: true });
  }

  /** It counts though it does not fit. */
  protected count(entry: LogEntry): void {
    if (entry.kind === 'reading') {
      this.log.add({ ...entry, id: this.make.head().id, replaces: entry.id, counts: true });
    }
  }
}
