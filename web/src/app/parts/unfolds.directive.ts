import { DestroyRef, Directive, ElementRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NgbPopover } from '@ng-bootstrap/ng-bootstrap/popover';

/**
 * On a button whose popover holds more than a hint: a dialog with a name, which has the focus while it is open, so that it is
 * reached by key and by ear. Escape, or leaving it, closes it and gives the focus back; so there is one at a time.
 */
@Directive({
  selector: '[ksUnfolds]',
  host: { 'aria-haspopup': 'dialog', '[attr.aria-expanded]': 'isOpen()', '[attr.aria-controls]': 'opened()' },
})
export class UnfoldsDirective {
  private readonly popover = inject(NgbPopover);
  private readonly button = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly opened = signal<string | null>(null);
  protected readonly isOpen = () => this.opened() !== null;

  constructor() {
    const until = takeUntilDestroyed<void>(inject(DestroyRef));
    this.popover.shown.pipe(until).subscribe(() => this.name());
    this.popover.hidden.pipe(until).subscribe(() => this.opened.set(null));
  }

  /** ng-bootstrap takes a popover for a tooltip that describes its button. */
  private name(): void {
    const id = this.button.getAttribute('aria-describedby');
    const window = id === null ? null : document.getElementById(id);
    if (!window) return;
    this.button.removeAttribute('aria-describedby');
    this.opened.set(window.id);
    window.setAttribute('role', 'dialog');
    window.setAttribute('aria-label', `How ${this.button.textContent.trim()} comes about`);
    window.tabIndex = -1;
    window.focus({ preventScroll: true });
    window.addEventListener('focusout', ({ relatedTarget }) => {
      if (relatedTarget instanceof Node && !window.contains(relatedTarget)) this.popover.close(false);
    });
  }
}
