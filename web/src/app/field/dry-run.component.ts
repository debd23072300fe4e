import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { displayOf, INSTRUMENT_WORDS, sayLookUp, truthAt } from '@knapsack/contract/field';
import { sayTime, type LineSource, type OtherSky } from '@knapsack/core';
import { choicesOf } from '../parts/choices';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineTimeComponent } from '../parts/inline-time.component';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';
import { DryRunLog } from './dry-run-log';
import { DryRunStore } from './dry-run.store';
import { FieldRoomComponent } from './field-room.component';
import { clampToOuting } from './moment';
import { OutingClock } from './outing-clock';

/** How long an hour takes, by how much faster the clock runs. */
const SPEEDS = { '30': '2 minutes', '180': '20 seconds', '720': '5 seconds' } as const;
type Speed = keyof typeof SPEEDS;
const SKIES: Readonly<Record<OtherSky, string>> = {
  asForecast: 'as it may come',
  duller: 'duller than forecast',
  brighter: 'brighter than forecast',
};
const LARGEST_FILE = 20_000_000;
const SOURCES = ['monitor', 'controller', 'meter'] as const satisfies readonly LineSource[];

/** A dry run: the room as in the outing, the instruments simulated, the clock quick, the truth beside the estimate. */
@Component({
  selector: 'ks-dry-run',
  imports: [FieldRoomComponent, InlineChoiceComponent, InlineTimeComponent],
  providers: [
    DryRunLog,
    { provide: OutingLog, useExisting: DryRunLog },
    DryRunStore,
    { provide: OutingClock, useExisting: DryRunStore },
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="dry-run" aria-label="Dry run">
      <p class="dry-run-bar">
        <b>Dry run</b>
        <ks-time
          label="The time in the dry run"
          [valueMs]="store.minuteMs()"
          [zone]="zone"
          [accept]="skipTo"
        />
        @if (!store.isOver()) {
          <button type="button" class="solid" (click)="store.isGoing() ? store.pause() : store.goOn()">
            <i class="bi" [class]="store.isGoing() ? 'bi-pause-fill' : 'bi-play-fill'" aria-hidden="true"></i>
            {{ store.isGoing() ? 'Pause' : 'Go on' }}
          </button>
        } @else {
          <span>The outing is over.</span>
        }
        <span
          >an hour in
          <ks-choice
            label="How long an hour takes"
            [value]="speed()"
            [choices]="speeds"
            (picked)="store.goFaster(+$event)"
        /></span>
        @if (store.replayed(); as file) {
          <span>played from {{ file.name }}</span>
        } @else {
          <span
            >the sky
            <ks-choice
              label="How the sky comes"
              [value]="store.setup().sky"
              [choices]="skies"
              (picked)="store.begin($event)"
          /></span>
        }
        <button type="button" class="quiet" (click)="store.begin()">Another outing</button>
        <button type="button" class="quiet" (click)="file.click()">Play a file</button>
        <button type="button" class="quiet" (click)="end()">End the dry run</button>
      </p>
      <input
        #file
        type="file"
        hidden
        accept=".txt,.log,.csv"
        aria-label="File with lines of instruments"
        (change)="play(file)"
      />
      @if (store.said(); as said) {
        <p role="alert">{{ said }}</p>
      }
      <ul class="displays">
        @for (display of displays(); track display.source) {
          <li>
            <b>{{ display.name }}</b>
            <button
              type="button"
              class="quiet"
              [attr.aria-pressed]="display.enters"
              [attr.aria-label]="
                display.name + (display.enters ? ': enters its readings' : ': you enter its readings')
              "
              (click)="store.toggle(display.source)"
            >
              {{ display.enters ? 'enters its readings' : 'you enter its readings' }}
            </button>
            <dl>
              @for (figure of display.figures; track $index) {
                <div>
                  <dt>{{ figure.label }}</dt>
                  <dd>{{ figure.value }}</dd>
                </div>
              }
            </dl>
          </li>
        }
        @if (lookUp()) {
          <li class="look-up">{{ lookUp() }}</li>
        }
      </ul>
    </section>
    <ks-field-room />
  `,
})
export class DryRunComponent {
  readonly left = output<void>();
  protected readonly store = inject(DryRunStore);
  private readonly trip = inject(TripStore).trip()!;
  protected readonly zone = this.trip.place.timeZone;
  protected readonly speeds = choicesOf(SPEEDS);
  protected readonly skies = choicesOf(SKIES);
  protected readonly speed = computed(() => String(this.store.faster()) as Speed);
  protected readonly displays = computed(() => {
    const shown = this.store.displays();
    return SOURCES.flatMap((source) => {
      const reading = shown.get(source);
      if (!reading) return [];
      const enters = this.store.enters().has(source);
      return [{ source, name: INSTRUMENT_WORDS[source], enters, figures: displayOf(reading) }];
    });
  });
  protected readonly lookUp = computed(() =>
    sayLookUp(truthAt(this.store.truth(), this.store.minuteMs())?.sky ?? null),
  );
  protected readonly skipTo = (timeMs: number): string | null => {
    const toMs = clampToOuting(this.trip, timeMs);
    if (toMs < this.store.minuteMs()) {
      return `It is ${sayTime(this.store.minuteMs(), this.zone)} already; a dry run goes on. Begin another outing for an earlier time.`;
    }
    this.store.skipTo(toMs);
    return null;
  };

  /** A file of lines in the place of the stand-ins. */
  protected async play(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    const problem =
      file.size > LARGEST_FILE
        ? `${file.name} is larger than 20 MB. Nothing was played.`
        : this.store.replay(file.name, await file.text());
    if (problem) this.store.said.set(problem);
  }

  protected end(): void {
    this.store.end();
    this.left.emit();
  }
}
