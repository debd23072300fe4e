import { Directive, input } from '@angular/core';

/** What is wrong in fields that are not shown just now, by owner and label. */
const wrongTexts = new Map<string, string>();

/** Whose fields these are. A wrong text that was left in one stands in it again when its owner is shown again. */
@Directive({ selector: '[ksOwner]' })
export class OwnerDirective {
  readonly ksOwner = input.required<string>();

  wrongText(label: string): string | null {
    return wrongTexts.get(this.keyOf(label)) ?? null;
  }

  keepWrong(label: string, text: string | null): void {
    if (text === null) wrongTexts.delete(this.keyOf(label));
    else wrongTexts.set(this.keyOf(label), text);
  }

  private keyOf(label: string): string {
    return `${this.ksOwner()} ${label}`;
  }
}
