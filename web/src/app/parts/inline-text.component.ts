import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';

/** A short text edited in place. Empty or over-long is said beside it and changes nothing. */
@Component({
  selector: 'ks-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="inline-edit" [class.wrong]="problem()">
      <input
        type="text"
        autocomplete="off"
        [value]="text()"
        [size]="width()"
        [attr.aria-label]="label()"
        [attr.aria-invalid]="problem() ? true : null"
        (input)="typed($event)"
        (blur)="commit()"
        (keydown.enter)="commit()"
        (keydown.escape)="restore($event)"
      />
      @if (problem(); as sentence) {
        <span class="problem" role="alert">{{ sentence }}</span>
      }
    </span>
  `,
})
export class InlineTextComponent {
  readonly value = input.required<string>();
  readonly label = input.required<string>();
  readonly most = input(120);
  /** A sentence that says what is wrong with a text, or null. */
  readonly refuse = input<(text: string) => string | null>(() => null);
  readonly committed = output<string>();

  protected readonly text = linkedSignal(() => this.value());
  protected readonly problem = signal<string | null>(null);
  protected readonly width = computed(() => Math.max(4, this.text().length));

  protected typed(event: Event): void {
    this.text.set((event.target as HTMLInputElement).value);
  }

  protected commit(): void {
    const text = this.text().trim();
    if (text === '') return this.problem.set(`${this.label()} must not be empty.`);
    if (text.length > this.most())
      return this.problem.set(`${this.label()} must be ${this.most()} characters at the most.`);
    const problem = text === this.value() ? null : this.refuse()(text);
    this.problem.set(problem);
    if (problem === null && text !== this.value()) this.committed.emit(text);
  }

  protected restore(event: Event): void {
    event.stopPropagation();
    this.text.set(this.value());
    this.problem.set(null);
  }
}
