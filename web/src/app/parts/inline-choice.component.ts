import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Choice } from './choices';
import { FitsTextDirective } from './fits-text.directive';

/** One of a few words within a sentence. */
@Component({
  selector: 'ks-choice',
  imports: [FitsTextDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <select class="inline-choice" [ksFitsText]="words()" [attr.aria-label]="label()" (change)="pick($event)">
      @for (choice of choices(); track choice.value) {
        <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.label }}</option>
      }
    </select>
  `,
})
export class InlineChoiceComponent<Word extends string = string> {
  readonly value = input.required<Word | ''>();
  readonly choices = input.required<readonly Choice<Word>[]>();
  readonly label = input.required<string>();
  readonly picked = output<Word>();
  protected readonly words = computed(
    () => this.choices().find(({ value }) => value === this.value())?.label ?? '',
  );

  protected pick(event: Event): void {
    const select = event.target as HTMLSelectElement;
    const word = this.choices().find(({ value }) => value === select.value);
    if (word) this.picked.emit(word.value);
    // The owner's value stands: what it takes comes back by its binding, what it refuses never shows.
    select.value = this.value();
  }
}
