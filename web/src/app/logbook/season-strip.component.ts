import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { sayDate } from '@knapsack/core';
import type { LogbookEntry } from './logbook.store';

const YEAR_MS = 365.25 * 24 * 3_600_000;
/** A strip of one outing has some room too. */
const LEAST_MS = YEAR_MS / 4;

const ICONS: ReadonlyMap<string, string> = new Map([
  ['lasted', 'bi-diamond-fill fine'],
  ['endedEarly', 'bi-x-lg stop'],
]);

/** All outings on an axis of time: where they gather, and which ended early. */
@Component({
  selector: 'ks-season-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as now) {
      <div class="season-strip" role="img" [attr.aria-label]="now.words">
        @for (year of now.years; track year.label) {
          <span class="year" [style.left.%]="year.left">{{ year.label }}</span>
        }
        @for (mark of now.marks; track mark.id) {
          <i class="bi" [class]="mark.icon" [style.left.%]="mark.left" [title]="mark.title"></i>
        }
      </div>
    }
  `,
})
export class SeasonStripComponent {
  readonly entries = input.required<readonly LogbookEntry[]>();

  protected readonly drawing = computed(() => {
    const entries = this.entries();
    if (entries.length === 0) return null;
    const times = entries.map(({ line }) => Date.parse(line.trip.start));
    const [first, last] = [Math.min(...times), Math.max(...times)];
    const room = Math.max(LEAST_MS, last - first) * 0.04;
    const left = (timeMs: number) => (100 * (timeMs - first + room)) / (last - first + 2 * room);
    const years = Array.from(
      { length: new Date(last).getUTCFullYear() - new Date(first).getUTCFullYear() + 1 },
      (_, year) => new Date(first).getUTCFullYear() + year,
    );
    return {
      words: `${entries.length} outings from ${new Date(first).getUTCFullYear()} to ${new Date(last).getUTCFullYear()}`,
      years: years
        .map((year) => ({ label: `${year}`, left: left(Date.UTC(year, 0, 1)) }))
        .filter((year) => year.left >= 0 && year.left <= 100),
      marks: entries.map(({ line: { trip }, row }) => ({
        id: trip.id,
        left: left(Date.parse(trip.start)),
        icon: (row && ICONS.get(row.came)) ?? 'bi-dash-lg',
        title: `${trip.name}, ${sayDate(Date.parse(trip.start), trip.timeZone)}`,
      })),
    };
  });
}
