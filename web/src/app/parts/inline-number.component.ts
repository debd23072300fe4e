import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { FIELDS, readNumber, type FieldName, type NumberField } from '@knapsack/contract';

let count = 0;

/** A number within a sentence, edited in place. What is wrong is said beside it and changes nothing. */
@Component({
  selector: 'ks-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="inline-edit" [class.wrong]="problem()">
      <input
        type="text"
        inputmode="decimal"
        autocomplete="off"
        spellcheck="false"
        [value]="text()"
        [size]="width()"
        [attr.aria-label]="label() || rules().label"
        [attr.aria-invalid]="problem() ? true : null"
        [attr.aria-describedby]="problem() ? id : null"
        (input)="typed($event)"
        (blur)="commit()"
        (keydown.enter)="commit()"
        (keydown.escape)="restore($event)"
      />
      @if (rules().unit) {
        <span class="unit">{{ rules().unit }}</span>
      }
      @if (problem(); as sentence) {
        <span class="problem" role="alert" [id]="id">{{ sentence }}</span>
      }
    </span>
  `,
})
export class InlineNumberComponent {
  readonly field = input.required<FieldName>();
  /** The stored value; null where none is set. */
  readonly value = input.required<number | null>();
  readonly label = input('');
  readonly committed = output<number>();

  protected readonly id = `number-${++count}`;
  protected readonly rules = computed<NumberField>(() => FIELDS[this.field()]);
  private readonly stored = computed(() => {
    const value = this.value();
    return value === null ? '' : String(Number((value * (this.rules().shown ?? 1)).toPrecision(5)));
  });
  protected readonly text = linkedSignal(() => this.stored());
  protected readonly problem = signal<string | null>(null);
  protected readonly width = computed(() => Math.max(2, this.text().length));

  protected typed(event: Event): void {
    this.text.set((event.target as HTMLInputElement).value);
    if (this.problem()) this.problem.set(this.check());
  }

  protected commit(): void {
    if (this.text() === this.stored()) return this.problem.set(null);
    const read = readNumber(this.rules(), this.text());
    if ('problem' in read) return this.problem.set(read.problem);
    this.problem.set(null);
    if (read.value === this.value()) this.text.set(this.stored());
    else this.committed.emit(read.value);
  }

  protected restore(event: Event): void {
    event.stopPropagation();
    this.text.set(this.stored());
    this.problem.set(null);
  }

  private check(): string | null {
    const read = readNumber(this.rules(), this.text());
    return 'problem' in read ? read.problem : null;
  }
}
