import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FIELDS, numberProblem, resolve, type FieldName, type ReadingEntry } from '@knapsack/contract';
import {
  DEPENDS_ON_STATE,
  oddReading,
  READ_WORDS,
  STATE_WORDS,
  type OddReading,
} from '@knapsack/contract/field';
import { READING_STATES, type ReadingState, type ReadQuantity } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { EntryMaker } from './entry-maker';
import { MeaningStore } from './meaning.store';
import { PAD_KEYS, pressed, readTyped, type PadKey } from './typed-number';

/** The commonest four stand as buttons, the others behind "more". */
const COMMON: readonly ReadQuantity[] = ['volts', 'amps', 'outAh', 'percent'];
const OTHERS: readonly ReadQuantity[] = ['inAh', 'panelWatts', 'panelAmps', 'radioVolts'];
const FIELD_OF: Readonly<Record<ReadQuantity, FieldName>> = {
  volts: 'readVolts',
  radioVolts: 'readVolts',
  amps: 'readAmps',
  outAh: 'countedAh',
  inAh: 'countedAh',
  percent: 'readPercent',
  panelAmps: 'panelAmps',
  panelWatts: 'panelWatts',
};
const STATE_KEY = 'knapsack.field-state';

/** A reading: its figure on a pad of its own size, what it is of, and what was on. */
@Component({
  selector: 'ks-reading-entry',
  providers: [MeaningStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="reading-entry" (submit)="keep($event)">
      <div class="value-row">
        <label class="value" [class.wrong]="problem()">
          <input
            type="text"
            inputmode="none"
            autocomplete="off"
            [attr.aria-label]="'Reading, ' + label()"
            [value]="text()"
            [attr.aria-invalid]="problem() ? true : null"
            aria-describedby="reading-says"
            (input)="typeInto($event)"
          />
          <span aria-hidden="true">{{ unit() }}</span>
        </label>
        <button type="submit" class="solid">Keep</button>
      </div>
      <p id="reading-says" class="says" [class.problem]="problem()" aria-live="polite">
        @if (problem(); as sentence) {
          {{ sentence }}
        } @else if (odd(); as asked) {
          {{ asked.sentence }}
          @if (asked.meant !== undefined) {
            <button type="button" class="quiet" (click)="take(asked.meant)">Yes, {{ asked.meant }}</button>
          } @else if (asked.quantity === 'outAh' || asked.quantity === 'inAh') {
            <button type="button" class="quiet" (click)="wasReset()">It was reset</button>
          }
          <button type="button" class="quiet" (click)="keepAsIs()">Keep {{ text() }}</button>
        } @else {
          {{ hint() }}
        }
      </p>
      <div class="chips quantities" role="group" aria-label="What is read">
        @for (name of common; track name) {
          <button type="button" class="chip" [attr.aria-pressed]="quantity() === name" (click)="choose(name)">
            {{ words[name].label }}
          </button>
        }
        <span class="chip more" [class.chosen]="isOther()">
          <select
            aria-label="Something else that is read"
            [value]="isOther() ? quantity() : ''"
            (change)="chooseOther($event)"
          >
            <option value="" disabled>more</option>
            @for (name of others; track name) {
              <option [value]="name" [selected]="quantity() === name">{{ words[name].label }}</option>
            }
          </select>
        </span>
      </div>
      <div class="pad-and-states">
        <div class="pad" role="group" aria-label="Number pad">
          @for (key of keys; track key) {
            <button
              type="button"
              [attr.aria-label]="key === 'back' ? 'Delete the last digit' : key === '.' ? 'Point' : null"
              (click)="press(key)"
            >
              @if (key === 'back') {
                <i class="bi bi-backspace" aria-hidden="true"></i>
              } @else {
                {{ key }}
              }
            </button>
          }
        </div>
        <div class="chips states" role="group" aria-label="What is on" [class.idle]="!dependsOnState()">
          @for (name of states; track name) {
            <button
              type="button"
              class="chip"
              [attr.aria-pressed]="state() === name"
              (click)="setState(name)"
            >
              {{ stateWords[name] }}
            </button>
          }
        </div>
      </div>
    </form>
  `,
})
export class ReadingEntryComponent {
  readonly kept = output<void>();
  private readonly log = inject(OutingLog);
  private readonly trips = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly make = inject(EntryMaker);
  protected readonly keys = PAD_KEYS;
  protected readonly common = COMMON;
  protected readonly others = OTHERS;
  protected readonly words = READ_WORDS;
  protected readonly stateWords = STATE_WORDS;
  protected readonly states = READING_STATES.filter((state) => state !== 'unknown');
  protected readonly text = signal('');
  protected readonly quantity = signal<ReadQuantity>('volts');
  protected readonly state = signal<ReadingState>(rememberedState());
  protected readonly odd = signal<OddReading | null>(null);
  private readonly refused = signal<string | null>(null);
  protected readonly problem = this.refused.asReadonly();
  private readonly plan = computed(() => {
    const trip = this.trips.calculated();
    const plan = trip && resolve(trip, this.shelf.gear());
    return plan?.ok ? plan.value : null;
  });
  protected readonly isOther = computed(() => OTHERS.includes(this.quantity()));
  protected readonly dependsOnState = computed(() => DEPENDS_ON_STATE.has(this.quantity()));
  protected readonly label = computed(() => READ_WORDS[this.quantity()].label);
  protected readonly unit = computed(() => READ_WORDS[this.quantity()].unit);
  protected readonly hint = computed(() => {
    const what = this.dependsOnState() ? `${this.label()}, ${STATE_WORDS[this.state()]}` : this.label();
    const meaning = this.meanings.meaning();
    return meaning === null ? what : `${what}: ${meaning}`;
  });
  private readonly meanings = inject(MeaningStore);

  protected press(key: PadKey): void {
    this.change(pressed(this.text(), key));
  }

  protected typeInto(event: Event): void {
    this.change((event.target as HTMLInputElement).value);
  }

  protected choose(quantity: ReadQuantity): void {
    this.quantity.set(quantity);
    this.change(this.text());
  }

  protected chooseOther(event: Event): void {
    const chosen = OTHERS.find((name) => name === (event.target as HTMLSelectElement).value);
    if (chosen) this.choose(chosen);
  }

  protected setState(state: ReadingState): void {
    this.state.set(state);
    this.ask();
    try {
      localStorage.setItem(STATE_KEY, state);
    } catch {
      // It is only remembered for the next time.
    }
  }

  protected take(value: number): void {
    this.change(String(value));
    this.keepAsIs();
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const entry = this.typed();
    if (!entry) return;
    // 129 for 12.9 is asked about before it is told that no meter shows it.
    const odd = this.plan() && oddReading(entry, this.log.standing(), this.plan()!);
    if (odd) this.odd.set(odd);
    else this.keepIfFit(entry);
  }

  protected keepAsIs(): void {
    const entry = this.typed();
    if (entry) this.keepIfFit(entry);
  }

  protected wasReset(): void {
    const entry = this.typed();
    if (!entry) return;
    this.log.add({ ...this.make.head(), kind: 'reset' });
    this.keepIfFit({ ...entry, ...this.make.head() });
  }

  private change(text: string): void {
    this.text.set(text);
    this.refused.set(null);
    this.odd.set(null);
    this.ask();
  }

  /** What it would mean, as far as it is a reading yet. */
  private ask(): void {
    const value = readTyped(this.text());
    const name = this.quantity();
    const isReading = value !== null && numberProblem(FIELDS[FIELD_OF[name]], value) === null;
    this.meanings.ask(
      isReading
        ? {
            kind: 'reading',
            ...(this.dependsOnState() && { state: this.state() }),
            [name]: value,
          }
        : null,
    );
  }

  /** What stands in the field, whatever it says; null where it is no number. */
  private typed(): ReadingEntry | null {
    const value = readTyped(this.text());
    const name = this.quantity();
    if (value === null) {
      this.refused.set(`Type the ${READ_WORDS[name].unit} that the meter shows.`);
      return null;
    }
    return {
      ...this.make.head(),
      kind: 'reading',
      ...(this.dependsOnState() && { state: this.state() }),
      [name]: value,
    };
  }

  private keepIfFit(entry: ReadingEntry): void {
    const name = this.quantity();
    const problem = numberProblem(FIELDS[FIELD_OF[name]], entry[name]);
    this.odd.set(null);
    this.refused.set(problem);
    if (problem === null) this.add(entry);
  }

  private add(entry: ReadingEntry): void {
    this.log.add(entry);
    this.change('');
    this.kept.emit();
  }
}

function rememberedState(): ReadingState {
  try {
    const kept = localStorage.getItem(STATE_KEY);
    return READING_STATES.find((state) => state === kept) ?? 'listening';
  } catch {
    return 'listening';
  }
}
