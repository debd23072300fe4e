import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { resolve, withEntry, type Panel, type Trip, type TripSummary } from '@knapsack/contract';
import { fixed, panelCheck } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { BenchStore } from './bench.store';
import { today } from '../data/today';

/** Times before this are a meter's own count, not of the clock, UTC epoch ms. */
const CLOCK_MS = Date.UTC(2000, 0, 1);
const NONE = '';

/** Readings of a panel's charge held against the model of a trip's place, time, aim and sky: what its label is worth. */
@Component({
  selector: 'ks-panel-check',
  imports: [InlineChoiceComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="panel-title">
      <h2 id="panel-title">Panel check</h2>
      <p class="asking">
        The trace is what the panel charged with on
        <ks-choice label="Trip" [value]="tripId()" [choices]="choices()" (picked)="take($event)" />: its
        place, aim and sky.
      </p>
      @if (problem(); as sentence) {
        <p class="muted" role="status">{{ sentence }}</p>
      }
      @if (found(); as check) {
        <p>
          {{ check.panel.name }} gives <b>{{ check.words }}</b> of its label, over
          {{ check.readings }} readings.
          <button type="button" class="quiet" (click)="save()">Save onto {{ check.panel.name }}</button>
        </p>
      }
    </section>
  `,
})
export class PanelCheckComponent {
  private readonly store = inject(BenchStore);
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly trips = signal<readonly TripSummary[]>([]);
  private readonly trip = signal<Trip | null>(null);
  private readonly failed = signal<string | null>(null);

  protected readonly tripId = computed(() => this.trip()?.id ?? NONE);
  protected readonly choices = computed(() => [
    { value: NONE, label: 'no trip chosen' },
    ...this.trips().map(({ id, name }) => ({ value: id, label: name })),
  ]);

  private readonly check = computed(() => {
    const trip = this.trip();
    const readings = this.store.readings();
    if (!trip || readings.timesMs.length === 0) return null;
    if (readings.timesMs[0] < CLOCK_MS) {
      return {
        ok: false as const,
        why: 'These readings count from the meter’s start: a panel check needs the time of day with each, from a file.',
      };
    }
    const plan = resolve(trip, this.shelf.gear());
    const panel = this.panelOf(trip);
    if (!plan.ok) return { ok: false as const, why: plan.problems[0].sentence };
    if (!plan.value.sun || !panel)
      return { ok: false as const, why: `${trip.name} has no panel in its bag.` };
    const check = panelCheck(readings, plan.value.sun);
    return check.ok
      ? { ok: true as const, panel, check: check.value }
      : { ok: false as const, why: check.problems[0].sentence };
  });
  protected readonly problem = computed(() => {
    const check = this.check();
    return this.failed() ?? (check && !check.ok ? check.why : null);
  });
  protected readonly found = computed(() => {
    const check = this.check();
    if (!check?.ok) return null;
    const { truth, spread, readings } = check.check;
    return {
      panel: check.panel,
      readings,
      words: `${fixed(100 * truth, 0)} ± ${fixed(100 * spread, 0)} %`,
    };
  });

  constructor() {
    firstValueFrom(this.api.trips()).then(
      (trips) => this.trips.set(trips),
      (error: unknown) => this.failed.set(problemText(error)),
    );
  }

  protected async take(id: string): Promise<void> {
    try {
      this.failed.set(null);
      this.trip.set(id === NONE ? null : (await firstValueFrom(this.api.trip(id))).document);
    } catch (error) {
      this.failed.set(problemText(error));
    }
  }

  protected save(): void {
    const check = this.check();
    if (!check?.ok) return;
    const { truth, spread } = check.check;
    const { panel } = check;
    const tidy = (value: number) => Math.round(value * 1000) / 1000;
    void this.store.saveGear(panel, {
      ...panel,
      truth: withEntry(panel.truth ?? null, {
        value: Math.min(1.2, tidy(truth)),
        source: this.store.readingSource(),
        date: today(),
        spread: tidy(spread),
      }),
    });
  }

  private panelOf({ loadout }: Trip): Panel | null {
    for (const { gear } of loadout) {
      const item = this.shelf.byId().get(gear);
      if (item?.kind === 'panel') return item;
    }
    return null;
  }
}
