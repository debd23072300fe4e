import { afterRenderEffect, Directive, ElementRef, inject, input } from '@angular/core';

/** Whether a finger or a button is down anywhere on the page. */
let isDown = false;
for (const kind of ['pointerdown', 'pointerup', 'pointercancel'] as const)
  addEventListener(kind, () => (isDown = kind === 'pointerdown'), { capture: true, passive: true });

/**
 * Scrolls its element into view, no further than needed, when something else is chosen that it tells of. Nothing moves under a
 * finger: it waits until that is lifted.
 */
@Directive({ selector: '[ksInView]', host: { class: 'shown-when-chosen' } })
export class InViewDirective {
  /** What is chosen; null, undefined or false for nothing. */
  readonly ksInView = input.required<unknown>();
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private before: unknown = undefined;

  constructor() {
    afterRenderEffect(() => {
      const chosen = this.ksInView();
      const isNew = chosen !== this.before && this.before !== undefined;
      this.before = chosen;
      if (!isNew || chosen === null || chosen === undefined || chosen === false) return;
      if (isDown) addEventListener('pointerup', () => setTimeout(() => this.show()), { once: true });
      else this.show();
    });
  }

  private show(): void {
    // Nor is what has the focus pushed out of sight, where one goes by keys.
    const reached = document.activeElement?.matches(':focus-visible') ? document.activeElement : null;
    if (this.element.isConnected && !reached) this.element.scrollIntoView({ block: 'nearest' });
  }
}
