import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  CELLS_FEEDS,
  ownCellsSaved,
  sayOwnCells,
  type CellsFeed,
  type OwnCellsUse,
} from '@knapsack/contract';
import { firstHours, setOwnCells, spanOf } from '@knapsack/contract/edits';
import { ShelfService } from '../../data/shelf.service';
import { choicesOf, type Choice } from '../../parts/choices';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { InlineSpanComponent } from '../../parts/inline-span.component';
import { TripStore } from '../../trip/trip.store';

/** How a device with a battery of its own is fed in this trip, and what that saves. */
@Component({
  selector: 'ks-own-cells',
  imports: [InlineChoiceComponent, InlineNumberComponent, InlineSpanComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="rule-sentence">
      It is
      <ks-choice
        label="How its own battery is used"
        [value]="use()?.feed ?? ''"
        [choices]="choices"
        (picked)="feed($event)"
      />
      @if (use(); as now) {
        @for (hours of spans(); track $index) {
          <ks-span
            startLabel="Charged from"
            endLabel="Charged until"
            [span]="hours.span"
            [zone]="zone()"
            [acceptStart]="hours.acceptStart"
            [acceptEnd]="hours.acceptEnd"
          />
        }
        and starts
        <ks-number
          field="ownSoc"
          label="Charge in its own battery at the start"
          [value]="now.soc ?? 1"
          (committed)="edit({ soc: $event })"
        />
        full.
      }
      <b>{{ saved() }}</b>
    </p>
  `,
})
export class OwnCellsComponent {
  /** Its line in the bag. */
  readonly index = input.required<number>();
  private readonly plan = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  protected readonly choices: readonly Choice<CellsFeed | ''>[] = [
    { value: '', label: 'fed from the bus alone' },
    ...choicesOf(CELLS_FEEDS),
  ];
  protected readonly zone = computed(() => this.plan.trip()?.place.timeZone ?? 'UTC');
  protected readonly use = computed(() => this.plan.trip()?.loadout[this.index()]?.ownCells ?? null);
  protected readonly saved = computed(() => {
    const trip = this.plan.calculated();
    const found = trip && ownCellsSaved(trip, this.shelf.gear(), this.index());
    return found ? sayOwnCells(found) : '';
  });
  protected readonly spans = computed(() =>
    (this.use()?.hours ?? []).map((hours, at) => ({
      span: spanOf(hours),
      acceptStart: (timeMs: number) => this.retime(at, { start: iso(timeMs) }),
      acceptEnd: (timeMs: number) => this.retime(at, { end: iso(timeMs) }),
    })),
  );

  protected feed(feed: CellsFeed | ''): void {
    const soc = this.use()?.soc;
    const trip = this.plan.trip();
    const use: OwnCellsUse | null =
      feed === ''
        ? null
        : {
            feed,
            ...(soc !== undefined && { soc }),
            ...(feed === 'hours' && trip && { hours: [firstHours(trip)] }),
          };
    this.plan.edit((now) => setOwnCells(now, this.index(), use));
  }

  protected edit(change: Partial<OwnCellsUse>): void {
    const use = this.use();
    if (use) this.plan.edit((trip) => setOwnCells(trip, this.index(), { ...use, ...change }));
  }

  private retime(at: number, change: { start?: string; end?: string }): string | null {
    const hours = (this.use()?.hours ?? []).map((one, index) => (index === at ? { ...one, ...change } : one));
    const wrong = hours.some(({ start, end }) => Date.parse(end) <= Date.parse(start));
    if (wrong) return 'Hours must end after they start.';
    this.edit({ hours });
    return null;
  }
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();
