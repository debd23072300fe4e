import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  cameTrue,
  forecastsOfPlaces,
  logbookCsv,
  neverUsed,
  sayForecasts,
  totalsByYear,
} from '@knapsack/contract/logbook';
import { fixed, sayDuration, sayQuantity } from '@knapsack/core';
import { saveFile } from '../data/save-file';
import { ServerWatch } from '../data/server-watch.service';
import { CameTrueComponent } from './came-true.component';
import { GearOverTimeComponent } from './gear-over-time.component';
import { LogbookStore } from './logbook.store';
import { OpenLessonsComponent, type LessonOf } from './open-lessons.component';
import { OutingTableComponent } from './outing-table.component';
import { RequirementsComponent } from './requirements.component';
import { RequirementsStore } from './requirements.store';
import { SeasonStripComponent } from './season-strip.component';

/** The Logbook: all outings that something is known of, how well the forecasts came true, and what the next kit must do. */
@Component({
  selector: 'ks-logbook',
  imports: [
    CameTrueComponent,
    GearOverTimeComponent,
    OpenLessonsComponent,
    OutingTableComponent,
    RequirementsComponent,
    SeasonStripComponent,
  ],
  providers: [LogbookStore, RequirementsStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page wide logbook">
      <header class="page-head">
        <h1>Logbook</h1>
        <span class="head-actions">
          <button type="button" class="quiet" (click)="save('csv')">
            <i class="bi bi-download" aria-hidden="true"></i> Save as CSV
          </button>
          <button type="button" class="quiet" (click)="save('json')">
            <i class="bi bi-download" aria-hidden="true"></i> Save as JSON
          </button>
          <button type="button" class="quiet" (click)="print()">
            <i class="bi bi-printer" aria-hidden="true"></i> Print
          </button>
        </span>
      </header>
      @if (store.problem(); as problem) {
        <p role="alert">
          {{ problem }} <button type="button" class="solid" (click)="load()">Try again</button>
        </p>
      }
      @if (!store.loaded()) {
        @if (!store.problem()) {
          <p class="sentence muted">Looking for outings …</p>
        }
      } @else if (store.entries().length === 0) {
        <p class="sentence">No outing yet.</p>
        <p>
          What is entered in a trip’s Field or Debrief comes here: readings, a contact log, or three figures
          from memory.
        </p>
      } @else {
        <p class="sentence" role="status">{{ sentence() }}</p>
        <ks-season-strip [entries]="store.entries()" />
        <ks-outing-table [entries]="store.entries()" />
        <p>
          @for (year of years(); track year) {
            <span class="year-total">{{ year }}</span>
          }
        </p>
        <div class="logbook-body">
          <div>
            <section aria-labelledby="came-true"><ks-came-true /></section>
            <section aria-labelledby="over-time"><ks-gear-over-time /></section>
            @if (remarks().length > 0) {
              <section aria-labelledby="remarks">
                <h2 id="remarks">Worth a word</h2>
                @for (remark of remarks(); track remark) {
                  <p>{{ remark }}</p>
                }
              </section>
            }
          </div>
          <div>
            <section aria-labelledby="open-lessons"><ks-open-lessons (required)="require($event)" /></section>
            <section aria-labelledby="next-build"><ks-requirements /></section>
          </div>
        </div>
      }
    </div>
  `,
})
export class LogbookPage {
  protected readonly store = inject(LogbookStore);
  private readonly requirements = inject(RequirementsStore);
  private readonly form = viewChild(RequirementsComponent);

  protected readonly sentence = computed(() => {
    const rows = this.store.known();
    const waiting = this.store.waiting();
    const still = waiting > 0 ? ` ${waiting} are still being worked out.` : '';
    const told = cameTrue(rows);
    const all = this.store.entries().length;
    if (!told) return `${all === 1 ? '1 outing' : `${all} outings`}.${still}`;
    return `Of ${told.outings} outings ${told.lasted} lasted; ${fixed(told.expected, 1)} were to be expected.${still}`;
  });
  protected readonly years = computed(() =>
    totalsByYear(this.store.known()).map(
      ({ year, outings, onAirHours, contacts, usedAh, plannedAh, sunShare }) =>
        [
          `${year}: ${outings === 1 ? '1 outing' : `${outings} outings`}`,
          `${sayDuration(onAirHours)} on the air`,
          ...(contacts > 0 ? [`${contacts} contacts`] : []),
          `${sayQuantity({ value: usedAh, unit: 'Ah' })} used of ${sayQuantity({ value: plannedAh, unit: 'Ah' })} planned`,
          ...(sunShare === null ? [] : [`${fixed(100 * sunShare, 0)} % by the sun`]),
        ].join(', '),
    ),
  );
  protected readonly remarks = computed<readonly string[]>(() => {
    const rows = this.store.known();
    return [
      ...neverUsed(rows, this.store.gear()).map(
        ({ name, outings, weightG }) =>
          `${name} came along on ${outings} of the last ten outings and was never used${weightG === null ? '' : `: ${sayQuantity({ value: weightG, unit: 'g' })}`}.`,
      ),
      ...forecastsOfPlaces(rows).flatMap((place) => sayForecasts(place) ?? []),
    ];
  });

  constructor() {
    this.load();
    inject(ServerWatch)
      .back.pipe(takeUntilDestroyed())
      .subscribe(() => this.load());
  }

  protected load(): void {
    void this.store.load();
    void this.requirements.open();
  }

  protected require(lesson: LessonOf): void {
    this.form()?.take(lesson);
    document.querySelector<HTMLElement>('[aria-label="Measure of the new requirement"]')?.focus();
  }

  protected save(as: 'csv' | 'json'): void {
    const rows = this.store.known();
    if (as === 'csv') saveFile('logbook.csv', [logbookCsv(rows)], 'text/csv');
    else saveFile('logbook.json', [`${JSON.stringify(rows, null, 2)}\n`], 'application/json');
  }

  protected print(): void {
    print();
  }
}
