import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import {
  FIELDS,
  readNumber,
  shownNumber,
  unitOf,
  type FieldName,
  type NumberField,
} from '@knapsack/contract';
import { InlineTextComponent } from './inline-text.component';

/** A number of the table of fields within a sentence, in the unit that people read and type. */
@Component({
  selector: 'ks-number',
  imports: [InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ks-text
      keyboard="decimal"
      [value]="stored()"
      [label]="label() || rules().label"
      [unit]="unit()"
      [said]="understood()"
      [refuse]="refuseText"
      (typing)="type($event)"
      (committed)="commit($event)"
    />
  `,
})
export class InlineNumberComponent {
  readonly field = input.required<FieldName>();
  /** The stored value; null where none is set. */
  readonly value = input.required<number | null>();
  readonly label = input('');
  /** What is wrong with a number that the table of fields allows, or null. */
  readonly refuse = input<(value: number) => string | null>(() => null);
  readonly committed = output<number>();
  /** What stands in the field while it is typed in, as soon as it is a number that is allowed. */
  readonly typing = output<number>();

  protected readonly rules = computed<NumberField>(() => FIELDS[this.field()]);
  protected readonly unit = computed(() => unitOf(this.rules()));
  /** What was made of another unit, said until the field is typed in again. */
  protected readonly understood = signal<string | null>(null);
  protected readonly stored = computed(() => {
    const value = this.value();
    return value === null ? '' : shownNumber(this.rules(), value, 5);
  });
  protected readonly refuseText = (text: string): string | null => {
    const read = readNumber(this.rules(), text);
    return 'problem' in read ? read.problem : this.refuse()(read.value);
  };

  protected type(text: string): void {
    const read = readNumber(this.rules(), text);
    if ('value' in read) this.typing.emit(read.value);
  }

  protected commit(text: string): void {
    const read = readNumber(this.rules(), text);
    if ('problem' in read) return;
    this.understood.set(read.understood);
    if (read.value !== this.value()) this.committed.emit(read.value);
  }
}
