import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  input,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { fromLocalField, sayDay, sayHour, toLocalField } from '@knapsack/core';

/**
 * A date and time of the place within a sentence: words that turn into the browser's own date and time
 * field while they are edited. The owner may refuse what is typed with a sentence.
 */
@Component({
  selector: 'ks-time',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="inline-edit" [class.wrong]="problem()">
      @if (editing()) {
        <input
          #field
          type="datetime-local"
          step="60"
          [value]="text()"
          [attr.aria-label]="label()"
          [attr.aria-invalid]="problem() ? true : null"
          (keydown.enter)="commit()"
          (keydown.escape)="leave($event)"
          (blur)="commit()"
        />
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
      @if (problem(); as sentence) {
        <span class="problem" role="alert">{{ sentence }}</span>
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

  private readonly injector = inject(Injector);
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');
  protected readonly editing = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly text = computed(() => toLocalField(this.valueMs(), this.zone()));
  protected readonly words = computed(
    () => `${sayDay(this.valueMs(), this.zone())} ${sayHour(this.valueMs(), this.zone())}`,
  );

  protected edit(): void {
    this.editing.set(true);
    afterNextRender(() => this.field()?.nativeElement.focus(), { injector: this.injector });
  }

  protected commit(): void {
    const typed = this.field()?.nativeElement.value;
    if (!this.editing() || typed === undefined) return;
    const timeMs = fromLocalField(typed, this.zone());
    const problem =
      timeMs === null
        ? 'This is not a date and time.'
        : timeMs === this.valueMs() || typed === this.text()
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
}
