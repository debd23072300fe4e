import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FIELDS, readNumber, type FieldName, type NumberField } from '@knapsack/contract';
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
      [unit]="rules().unit"
      [refuse]="refuse"
      (committed)="commit($event)"
    />
  `,
})
export class InlineNumberComponent {
  readonly field = input.required<FieldName>();
  /** The stored value; null where none is set. */
  readonly value = input.required<number | null>();
  readonly label = input('');
  readonly committed = output<number>();

  protected readonly rules = computed<NumberField>(() => FIELDS[this.field()]);
  protected readonly stored = computed(() => {
    const value = this.value();
    return value === null ? '' : String(Number((value * (this.rules().shown ?? 1)).toPrecision(5)));
  });
  protected readonly refuse = (text: string): string | null => {
    const read = readNumber(this.rules(), text);
    return 'problem' in read ? read.problem : null;
  };

  protected commit(text: string): void {
    const read = readNumber(this.rules(), text);
    if ('value' in read && read.value !== this.value()) this.committed.emit(read.value);
  }
}
