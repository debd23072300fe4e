import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { ahAnHour, whAContact, type OutingRow } from '@knapsack/contract/logbook';
import { fixed, sayDate, sayDuration, sayQuantity } from '@knapsack/core';
import { PairRidgeComponent } from './pair-ridge.component';
import { LogbookStore, type LogbookEntry } from './logbook.store';
import { SeenDirective } from './seen.directive';

const CAME = {
  lasted: { word: 'lasted', icon: 'bi-diamond-fill fine' },
  endedEarly: { word: 'ended early', icon: 'bi-x-lg stop' },
  leftEarly: { word: 'left by choice', icon: 'bi-dash-lg' },
  notKnown: { word: 'end not entered', icon: 'bi-dash-lg' },
} as const;

interface Column {
  readonly key: string;
  readonly label: string;
  readonly valueOf: (row: OutingRow) => number | null;
  readonly say: (value: number) => string;
  /** Left out where the screen is small. */
  readonly wide?: boolean;
}

/** As many as a tall screen has room for. */
const FIRST_ROWS = 40;

const ah = (value: number) => sayQuantity({ value, unit: 'Ah' });
const percent = (value: number) => `${fixed(100 * value, 0)} %`;
const COLUMNS: readonly Column[] = [
  { key: 'planned', label: 'load planned', valueOf: ({ plannedAh }) => plannedAh, say: ah },
  { key: 'used', label: 'load used', valueOf: ({ usedAh }) => usedAh, say: ah },
  {
    key: 'hours',
    label: 'on the air',
    valueOf: ({ onAirHours }) => onAirHours,
    say: sayDuration,
    wide: true,
  },
  { key: 'anHour', label: 'Ah an hour', valueOf: ahAnHour, say: (value) => fixed(value, 2), wide: true },
  { key: 'contacts', label: 'contacts', valueOf: ({ contacts }) => contacts, say: String, wide: true },
  {
    key: 'aContact',
    label: 'Wh a contact',
    valueOf: whAContact,
    say: (value) => fixed(value, 2),
    wide: true,
  },
  { key: 'lowest', label: 'lowest', valueOf: ({ lowestSoc }) => lowestSoc, say: percent, wide: true },
  { key: 'sun', label: 'by the sun', valueOf: ({ sunShare }) => sunShare, say: percent, wide: true },
  { key: 'told', label: 'told', valueOf: ({ told }) => told, say: percent },
];

/** What a filter may choose by. */
const FILTERS: readonly { readonly label: string; readonly of: (row: OutingRow) => readonly string[] }[] = [
  { label: 'place', of: ({ place }) => [place] },
  { label: 'radio', of: ({ radios }) => radios },
  { label: 'battery', of: ({ battery }) => [battery] },
  { label: 'mode', of: ({ modes }) => modes },
  { label: 'way in', of: ({ kind }) => (kind ? [kind] : []) },
];

/** The outings as a table that sorts and is looked through; each row opens its debrief. */
@Component({
  selector: 'ks-outing-table',
  imports: [PairRidgeComponent, RouterLink, SeenDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="logbook-filters">
      @for (filter of filters(); track filter.label) {
        <label
          >{{ filter.label }}
          <select [attr.aria-label]="'Outings by ' + filter.label" (change)="choose(filter.label, $event)">
            <option value="">any</option>
            @for (value of filter.values; track value) {
              <option [value]="value" [selected]="value === filter.chosen">{{ value }}</option>
            }
          </select></label
        >
      }
    </p>
    <div class="logbook-scroll">
      <table class="outings">
        <caption class="visually-hidden">
          Outings, each with its planned and actual figures
        </caption>
        <thead>
          <tr>
            <th scope="col" [attr.aria-sort]="sortOf('date')">
              <button type="button" (click)="sort('date')">outing</button>
            </th>
            <th scope="col" class="ridge">charge, plan and actual</th>
            @for (column of columns; track column.key) {
              <th scope="col" class="number" [class.wide]="column.wide" [attr.aria-sort]="sortOf(column.key)">
                <button type="button" (click)="sort(column.key)">{{ column.label }}</button>
              </th>
            }
            <th scope="col">came true?</th>
          </tr>
        </thead>
        <tbody>
          @for (entry of painted(); track entry.line.trip.id) {
            <tr [ksSeen]="entry.line.trip.id" (seen)="store.sight(entry.line.trip.id, $event)">
              <th scope="row">
                <a [routerLink]="['/trips', entry.line.trip.id, 'debrief']">{{ entry.line.trip.name }}</a>
                <span class="muted">{{ dateOf(entry) }}</span>
              </th>
              <td class="ridge">
                @if (entry.row; as row) {
                  <ks-pair-ridge
                    [planned]="row.planned"
                    [actual]="row.actual"
                    [reserveSoc]="row.reserveSoc"
                  />
                }
              </td>
              @for (column of columns; track column.key) {
                <td class="number" [class.wide]="column.wide" [attr.data-label]="column.label">
                  {{ cell(entry, column) }}
                </td>
              }
              <td>
                @if (entry.row; as row) {
                  <i class="bi" [class]="came[row.came].icon" aria-hidden="true"></i>
                  {{ came[row.came].word }}{{ early(row) }}
                } @else {
                  <span class="muted">{{ entry.problem ?? '…' }}</span>
                }
              </td>
            </tr>
          } @empty {
            <tr>
              <td [attr.colspan]="columns.length + 3" class="muted">No outing is like this.</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
})
export class OutingTableComponent {
  readonly entries = input.required<readonly LogbookEntry[]>();
  protected readonly store = inject(LogbookStore);
  protected readonly columns = COLUMNS;
  protected readonly came = CAME;
  private readonly sorted = signal<{ readonly key: string; readonly up: boolean }>({
    key: 'date',
    up: false,
  });
  private readonly chosen = signal<ReadonlyMap<string, string>>(new Map());

  protected readonly filters = computed(() => {
    const rows = this.entries().flatMap(({ row }) => row ?? []);
    return FILTERS.map(({ label, of }) => ({
      label,
      chosen: this.chosen().get(label) ?? '',
      values: [...new Set(rows.flatMap(of))].sort(),
    })).filter(({ values }) => values.length > 1);
  });

  protected readonly shown = computed(() => {
    const chosen = this.chosen();
    const isLike = ({ row }: LogbookEntry) =>
      FILTERS.every(({ label, of }) => {
        const value = chosen.get(label);
        return !value || (row !== null && of(row).includes(value));
      });
    const { key, up } = this.sorted();
    const column = COLUMNS.find((one) => one.key === key);
    const valueOf = ({ row, line }: LogbookEntry) =>
      column ? ((row && column.valueOf(row)) ?? -Infinity) : Date.parse(line.trip.start);
    const sign = up ? 1 : -1;
    // What is not known stays at the end, whichever way it is sorted.
    return this.entries()
      .filter(isLike)
      .map((entry) => ({ entry, value: valueOf(entry) }))
      .sort((a, b) =>
        a.value === b.value
          ? 0
          : a.value === -Infinity
            ? 1
            : b.value === -Infinity
              ? -1
              : sign * (a.value - b.value),
      )
      .map(({ entry }) => entry);
  });
  /** The first rows are painted before the others are made. */
  private readonly mostRows = signal(FIRST_ROWS);
  protected readonly painted = computed(() => this.shown().slice(0, this.mostRows()));

  constructor() {
    afterNextRender(() => setTimeout(() => this.mostRows.set(Infinity)));
  }

  protected choose(label: string, event: Event): void {
    const { value } = event.target as HTMLSelectElement;
    this.chosen.update((before) => new Map(before).set(label, value));
  }

  protected sort(key: string): void {
    this.sorted.update((before) => ({ key, up: before.key === key ? !before.up : false }));
  }

  protected sortOf(key: string): 'ascending' | 'descending' | null {
    const { key: by, up } = this.sorted();
    return by !== key ? null : up ? 'ascending' : 'descending';
  }

  protected cell({ row }: LogbookEntry, { valueOf, say }: Column): string {
    const value = row && valueOf(row);
    return value === null ? '–' : say(value);
  }

  protected dateOf({ line: { trip } }: LogbookEntry): string {
    return sayDate(Date.parse(trip.start), trip.timeZone);
  }

  protected early({ came, earlyHours }: OutingRow): string {
    return came !== 'lasted' && earlyHours > 0 ? `, by ${sayDuration(earlyHours)}` : '';
  }
}
