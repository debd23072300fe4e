import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  Injector,
  input,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { readLocalTime, sayDate, sayDay, sayHour } from '@knapsack/core';
import { FitsTextDirective } from './fits-text.directive';
import { FormValidity } from './form-validity';
import { MonthComponent } from './month.component';

let count = 0;

/**
 * A day and an hour of the place within a sentence: words that turn into a field while they are edited, with a month to choose
 * the day from below it. Takes them as people write them, and says what it understood. Enter or leaving it commits, Escape
 * restores. The owner may refuse what is typed with a sentence.
 */
@Component({
  selector: 'ks-time',
  imports: [FitsTextDirective, MonthComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="inline-edit" [class.wrong]="problem()">
      @if (editing()) {
        <span tabindex="-1" (focusout)="left($event)" (keydown.escape)="leave($event)">
          <input
            #field
            type="text"
            autocomplete="off"
            spellcheck="false"
            [ksFitsText]="text()"
            [value]="text()"
            [attr.aria-label]="label()"
            [attr.aria-invalid]="problem() ? true : null"
            [attr.aria-describedby]="id"
            (input)="typed($event)"
            (keydown.enter)="commit()"
          />
          <span class="calendar">
            @if (problem(); as sentence) {
              <span class="problem" role="alert" [id]="id">{{ sentence }}</span>
            } @else {
              <span class="understood" [id]="id">{{ understood() }}</span>
            }
            @defer (on immediate) {
              <ks-month [timeMs]="read() ?? valueMs()" [zone]="zone()" (chosen)="choose($event)" />
            }
          </span>
        </span>
      } @else {
        <button
          type="button"
          class="inline-time"
          [attr.aria-label]="label() + ', ' + words()"
          (click)="edit()"
        >
          {{ words() }}
        </button>
      }
    </span>
  `,
})
export class InlineTimeComponent {
  readonly valueMs = input.required<number>();
  readonly zone = input.required<string>();
  readonly label = input.required<string>();
  /** Takes the instant, or gives the sentence that says why not. */
  readonly accept = input.required<(timeMs: number) => string | null>();

  protected readonly id = `time-${++count}`;
  private readonly injector = inject(Injector);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  private readonly validity = inject(FormValidity, { optional: true });
  protected readonly editing = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly text = signal('');
  protected readonly words = computed(() => this.say(this.valueMs()));
  /** What is typed, null where it is no day and hour; left as it stood, the instant to the millisecond. */
  protected readonly read = computed(() =>
    this.text() === this.words() ? this.valueMs() : readLocalTime(this.text(), this.valueMs(), this.zone()),
  );
  protected readonly understood = computed(() => {
    const timeMs = this.read();
    return timeMs === null
      ? 'A day, an hour or both'
      : `${sayDate(timeMs, this.zone())}, ${sayHour(timeMs, this.zone())}`;
  });

  constructor() {
    const { validity } = this;
    if (!validity) return;
    effect(() => {
      const field = this.field()?.nativeElement;
      if (field) validity.report(this.id, field, this.editing() && this.problem() !== null);
    });
  }

  protected edit(): void {
    this.text.set(this.words());
    this.editing.set(true);
    afterNextRender(() => this.field()?.nativeElement.select(), { injector: this.injector });
  }

  protected typed(event: Event): void {
    this.text.set((event.target as HTMLInputElement).value);
    this.problem.set(null);
  }

  protected choose(timeMs: number): void {
    this.text.set(this.say(timeMs));
    this.field()?.nativeElement.focus();
  }

  protected left({ currentTarget, relatedTarget }: FocusEvent): void {
    if (!(currentTarget as HTMLElement).contains(relatedTarget as Node | null)) this.commit();
  }

  protected commit(): void {
    if (!this.editing()) return;
    const timeMs = this.read();
    const problem =
      timeMs === null
        ? `Write a day and an hour like ${this.words()}; “${this.text()}” is not one.`
        : timeMs === this.valueMs()
          ? null
          : this.accept()(timeMs);
    this.problem.set(problem);
    if (problem === null) this.editing.set(false);
  }

  protected leave(event: Event): void {
    event.stopPropagation();
    this.problem.set(null);
    this.editing.set(false);
  }

  private say(timeMs: number): string {
    return `${sayDay(timeMs, this.zone())} ${sayHour(timeMs, this.zone())}`;
  }
}
