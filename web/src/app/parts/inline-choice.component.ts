import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

export interface Choice {
  readonly value: string;
  readonly label: string;
}

/** One of a few words within a sentence. */
@Component({
  selector: 'ks-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <select class="inline-choice" [attr.aria-label]="label()" (change)="pick($event)">
      @for (choice of choices(); track choice.value) {
        <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.label }}</option>
      }
    </select>
  `,
})
export class InlineChoiceComponent {
  readonly value = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly label = input.required<string>();
  readonly picked = output<string>();

  protected pick(event: Event): void {
    const select = event.target as HTMLSelectElement;
    this.picked.emit(select.value);
    // The owner's value stands: what it takes comes back by its binding, what it refuses never shows.
    select.value = this.value();
  }
}
