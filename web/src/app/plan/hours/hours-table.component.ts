import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { expandBlocks, type Block } from '@knapsack/contract';
import { paintSky, setWork, spanOf, workForNew, type WholeWork } from '@knapsack/contract/edits';
import { CLOUD_WORDS, localHours, sayDate, sayQuantity, sayWork, type Span } from '@knapsack/core';
import { newKey } from '../../data/new-id';
import type { Choice } from '../../parts/choices';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { elementOfBlock, injectWorkHands } from '../../lanes/work/new-block';
import { ForecastStore } from '../../trip/forecast.store';
import { LanesStore } from '../../trip/lanes.store';
import { hourRows, type HourRow, type HourWork, type SkyWord } from './hour-rows';

const SKIES: readonly Choice<SkyWord>[] = [
  ...(Object.keys(CLOUD_WORDS) as (keyof typeof CLOUD_WORDS)[]),
  'fog' as const,
  'rain' as const,
].map((value) => ({ value, label: value }));

const OFF = 'off';
/** The work of a part of the hour, for the whole of it. */
const ALL = 'all';

/** The lanes as a table: each hour's sky, work and state of charge, chosen where they stand. One day at a time. */
@Component({
  selector: 'ks-hours-table',
  imports: [InlineChoiceComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="hours" aria-labelledby="hours-title">
      <h2 id="hours-title" tabindex="-1">Hours</h2>
      @if (days().length > 1) {
        <p>
          <ks-choice label="Day" [value]="'' + day()" [choices]="dayChoices()" (picked)="day.set(+$event)" />
        </p>
      }
      <table>
        <thead>
          <tr>
            <th scope="col">from</th>
            <th scope="col">sky</th>
            <th scope="col">work</th>
            <th scope="col"><abbr title="state of charge at the end of the hour">charge</abbr></th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.span.startMs) {
            <tr>
              <th scope="row">{{ row.hour }}</th>
              <td>
                <ks-choice
                  [label]="'Sky from ' + row.hour"
                  [value]="row.sky"
                  [choices]="skies"
                  (picked)="paint(row, $event)"
                />
              </td>
              <td>
                @for (work of row.work; track work.position) {
                  @if (work.repeated) {
                    <button type="button" class="quiet" (click)="choose(work)">{{ work.words }}</button>
                  } @else {
                    <ks-choice
                      [label]="labelOf(work, row)"
                      [value]="valueOf(work)"
                      [choices]="choicesFor(work)"
                      (picked)="give(row, work, $event)"
                    />
                  }
                }
              </td>
              <td class="figure">{{ percent(row.soc) }}</td>
            </tr>
          }
        </tbody>
      </table>
    </section>
  `,
})
export class HoursTableComponent {
  private readonly hands = injectWorkHands();
  private readonly forecast = inject(ForecastStore);
  private readonly lanes = inject(LanesStore);
  protected readonly skies = SKIES;
  private readonly zone = computed(() => this.hands.store.trip()?.place.timeZone ?? 'UTC');

  /** The days of the outing, each from its midnight or the outing's start. */
  protected readonly days = computed<readonly Span[]>(() => {
    const { startMs, endMs } = this.lanes.outing();
    const midnights = localHours(startMs, endMs, 24, this.zone()).filter(
      (timeMs) => timeMs > startMs && timeMs < endMs,
    );
    const starts = [startMs, ...midnights];
    return starts.map((from, at) => ({ startMs: from, endMs: starts[at + 1] ?? endMs }));
  });
  protected readonly dayChoices = computed(() =>
    this.days().map(({ startMs }, at) => ({ value: `${at}`, label: sayDate(startMs, this.zone()) })),
  );
  /** The day that is shown: at first that of the cursor, or the first. */
  protected readonly day = linkedSignal<readonly Span[], number>({
    source: this.days,
    computation: (days, before) => Math.min(before?.value ?? this.dayOfCursor(days), days.length - 1),
  });

  protected readonly rows = computed<readonly HourRow[]>(() => {
    const trip = this.hands.store.trip();
    const day = this.days()[this.day()];
    if (!trip || !day) return [];
    const positions = Math.max(1, this.hands.bag.positions().length);
    return hourRows(trip, expandBlocks(trip), this.forecast.view(), positions, day);
  });
  /** The kinds of work that the trip knows, by their names. */
  private readonly works = computed<readonly string[]>(() => {
    const trip = this.hands.store.trip();
    const usual = workForNew(trip, null, this.hands.bag.radio());
    return [...new Set([...(trip?.blocks ?? []), usual].map(sayWork))];
  });

  protected percent = (soc: number | null): string =>
    soc === null ? '' : sayQuantity({ value: soc, unit: 'share' });

  protected labelOf({ position }: HourWork, { hour, work }: HourRow): string {
    return work.length > 1 ? `Work from ${hour}, position ${position}` : `Work from ${hour}`;
  }

  protected valueOf({ block }: HourWork): string {
    return block ? sayWork(block) : OFF;
  }

  protected choicesFor({ block, words, isPart }: HourWork): readonly Choice[] {
    const here = block ? sayWork(block) : OFF;
    return [
      ...[OFF, ...this.works()].map((value) => ({ value, label: value === here ? words : value })),
      ...(isPart ? [{ value: ALL, label: `${here}, the whole hour` }] : []),
    ];
  }

  protected paint({ span }: HourRow, sky: SkyWord): void {
    const cloud = sky === 'fog' || sky === 'rain' ? 1 : CLOUD_WORDS[sky];
    const closed = { ...(sky === 'fog' && { fog: true }), ...(sky === 'rain' && { rain: true }) };
    this.hands.store.edit((trip) => paintSky(trip, span.startMs, span.startMs, { cloud, ...closed }));
  }

  protected give({ span }: HourRow, { position, block }: HourWork, name: string): void {
    const work = name === OFF ? null : name === ALL ? block : this.nearest(span, name);
    this.hands.store.edit((trip) => setWork(trip, span, work, () => `b-${newKey()}`, position));
  }

  /** Of several blocks of one name the one that is nearest in time: an hour beside it makes it longer. */
  private nearest(span: Span, name: string): WholeWork {
    const trip = this.hands.store.trip();
    const away = (block: Block) => {
      const { startMs, endMs } = spanOf(block);
      return Math.max(startMs - span.endMs, span.startMs - endMs);
    };
    const [block] = (trip?.blocks ?? [])
      .filter((one) => sayWork(one) === name)
      .sort((a, b) => away(a) - away(b));
    return block ?? workForNew(trip, null, this.hands.bag.radio());
  }

  /** What is done again and again is changed in its own sentence. */
  protected choose({ block }: HourWork): void {
    if (!block) return;
    this.hands.selection.select(block.id);
    this.hands.focus.go(() => elementOfBlock(block.id));
  }

  private dayOfCursor(days: readonly Span[]): number {
    const cursorMs = this.hands.selection.cursorMs();
    const at = days.findIndex(
      ({ startMs, endMs }) => cursorMs !== null && startMs <= cursorMs && cursorMs < endMs,
    );
    return Math.max(0, at);
  }
}
