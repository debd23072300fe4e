import { Directive, ElementRef, inject, input } from '@angular/core';

/**
 * A button that cannot be pressed just now. Unlike a disabled one it keeps the focus, is found by a screen reader, and does not
 * vanish under the finger that has just pressed it.
 */
@Directive({ selector: 'button[ksOff]', host: { '[attr.aria-disabled]': 'ksOff() || null' } })
export class OffDirective {
  readonly ksOff = input.required<boolean>();

  constructor() {
    inject<ElementRef<HTMLElement>>(ElementRef).nativeElement.addEventListener(
      'click',
      (event) => {
        if (!this.ksOff()) return;
        event.preventDefault();
        event.stopImmediatePropagation();
      },
      { capture: true },
    );
  }
}
