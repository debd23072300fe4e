import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FIELDS, readNumber } from '@knapsack/contract';
import {
  outcomeOf,
  outcomeOfReading,
  STEP_GROUPS,
  USUAL_LOAD_MINUTES,
  type RehearsalStep,
  type StepGroup,
} from '@knapsack/contract/rehearse';
import { withResult } from '@knapsack/contract/edits';
import { USUAL_ROOM_C } from '@knapsack/contract/harness';
import { fixed } from '@knapsack/core';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { BagStore } from '../trip/bag.store';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import { NoiseGridComponent } from './noise-grid.component';
import { RehearseStore } from './rehearse.store';

const SIGNS = {
  ok: { icon: 'bi-diamond-fill', blaze: 'fine', words: 'OK' },
  bad: { icon: 'bi-triangle-fill', blaze: 'look', words: 'failed' },
  open: { icon: 'bi-diamond', blaze: 'muted', words: 'open' },
} as const;
const DIGITS = { V: 2, A: 2, Ah: 2 } as const;

/** The steps of the home test: tried and found good or not, or read and held against what was predicted. */
@Component({
  selector: 'ks-step-list',
  imports: [InlineNumberComponent, InlineTextComponent, NoiseGridComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (group of groups(); track group.name) {
      <section class="step-group" [attr.aria-label]="group.title">
        <h2>{{ group.title }}</h2>
        @if (group.name === 'load') {
          <p class="sentence-line">
            Work it as planned for
            <ks-number
              field="loadMinutes"
              label="Length of the load test"
              [value]="minutes()"
              (committed)="setMinutes($event)"
            />, a meter in the battery’s cable.
          </p>
        }
        @if (group.name === 'read') {
          <p class="sentence-line">
            In a room of
            <ks-number
              field="roomC"
              label="Temperature of the room"
              [value]="room()"
              (committed)="setRoom($event)"
            />.
          </p>
        }
        <ol>
          @for (row of group.rows; track row.step.id) {
            <li [class.done]="row.outcome === 'ok'">
              <i
                class="bi"
                [class]="row.sign.icon + ' ' + row.sign.blaze"
                role="img"
                [attr.aria-label]="row.sign.words"
              ></i>
              <div>
                <p>
                  <b>{{ row.step.words }}</b>
                  @if (row.step.reading; as reading) {
                    &ngsp;<ks-text
                      [label]="row.step.words"
                      [unit]="reading.unit"
                      [mayBeEmpty]="true"
                      keyboard="decimal"
                      [value]="row.value"
                      [refuse]="refuse"
                      (committed)="read(row.step, $event)"
                    />
                    <span class="muted">
                      {{
                        row.value === ''
                          ? ''
                          : row.outcome === 'ok'
                            ? 'as it should be; '
                            : 'not as it should be; '
                      }}
                      expected {{ row.expected }}
                    </span>
                  }
                </p>
                <p class="muted">{{ row.step.why }}</p>
                @if (row.step.source; as source) {
                  <ks-noise-grid [source]="source" [radio]="radio()" />
                }
              </div>
              @if (!row.step.reading && !row.step.source) {
                <span class="step-acts">
                  <button
                    type="button"
                    class="toggle"
                    [attr.aria-pressed]="row.outcome === 'ok'"
                    [attr.aria-label]="'OK: ' + row.step.words"
                    (click)="mark(row.step, row.outcome, 'ok')"
                  >
                    OK
                  </button>
                  <button
                    type="button"
                    class="toggle"
                    [attr.aria-pressed]="row.outcome === 'bad'"
                    [attr.aria-label]="'Failed: ' + row.step.words"
                    (click)="mark(row.step, row.outcome, 'bad')"
                  >
                    failed
                  </button>
                </span>
              }
            </li>
          }
        </ol>
      </section>
    }
  `,
})
export class StepListComponent {
  private readonly store = inject(RehearseStore);
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly ticks = inject(TicksStore);
  /** The radio that one listens with: the first of the bag. */
  protected readonly radio = computed(() => this.bag.radio()?.id);
  protected readonly minutes = computed(() => this.plan.trip()?.rehearsal?.loadMinutes ?? USUAL_LOAD_MINUTES);
  protected readonly room = computed(() => this.plan.trip()?.rehearsal?.roomC ?? USUAL_ROOM_C);
  protected readonly groups = computed(() => {
    const steps = this.store.steps() ?? [];
    const results = this.store.results();
    return (Object.keys(STEP_GROUPS) as StepGroup[])
      .map((name) => ({
        name,
        title: STEP_GROUPS[name],
        rows: steps
          .filter(({ group }) => group === name)
          .map((step) => {
            const outcome = outcomeOf(step, results);
            const value = results.find((result) => result.step === step.id)?.value;
            return {
              step,
              outcome,
              sign: SIGNS[outcome ?? 'open'],
              value: value === undefined ? '' : String(value),
              expected: step.reading ? expectedWords(step.reading) : '',
            };
          }),
      }))
      .filter(({ rows }) => rows.length > 0);
  });

  protected readonly refuse = (text: string): string | null => {
    const read = readNumber(FIELDS.reading, text);
    return 'problem' in read ? read.problem : null;
  };

  /** Says that a step was good or not; the same word again takes it back. */
  protected mark({ id }: RehearsalStep, before: 'ok' | 'bad' | null, outcome: 'ok' | 'bad'): void {
    const result = before === outcome ? null : { outcome, at: new Date().toISOString() };
    this.ticks.rehearsal.change((kept) => withResult(kept, id, result));
  }

  protected read(step: RehearsalStep, text: string): void {
    if (text.trim() === '') {
      this.ticks.rehearsal.change((kept) => withResult(kept, step.id, null));
      return;
    }
    const read = readNumber(FIELDS.reading, text);
    if (!('value' in read)) return;
    const { value } = read;
    const result = { outcome: outcomeOfReading(step, value), value, at: new Date().toISOString() };
    this.ticks.rehearsal.change((kept) => withResult(kept, step.id, result));
  }

  protected setRoom(roomC: number): void {
    this.plan.edit((trip) => ({ ...trip, rehearsal: { ...trip.rehearsal, roomC } }));
  }

  protected setMinutes(loadMinutes: number): void {
    // What was read over another time says nothing of this one.
    this.plan.edit((trip) => ({ ...trip, rehearsal: { ...trip.rehearsal, loadMinutes } }));
    this.ticks.rehearsal.change((kept) => withResult(kept, 'load', null));
  }
}

function expectedWords({ unit, expected, low, high }: NonNullable<RehearsalStep['reading']>): string {
  const say = (value: number) => fixed(value, DIGITS[unit]);
  return `${say(expected)} ${unit}, OK from ${say(low)} to ${say(high)}`;
}
