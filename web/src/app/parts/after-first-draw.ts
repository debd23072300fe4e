import { afterNextRender, DestroyRef, inject, Injector, signal, type Signal } from '@angular/core';

/**
 * False until a component stands as it first does: what takes long to draw waits for what is read first.
 *
 * @param isThere whether there is anything to read. While it is on its way there is time for the rest; where it has come by then, it
 *   is drawn before the rest, not with it.
 */
export function afterFirstDraw(isThere: Signal<boolean>): Signal<boolean> {
  const injector = inject(Injector);
  const end = inject(DestroyRef);
  const isDrawn = signal(false);
  const drawn = () => {
    const stands = isThere();
    setTimeout(() => {
      if (end.destroyed) return;
      if (isThere() && !stands) afterNextRender(drawn, { injector });
      else isDrawn.set(true);
    });
  };
  afterNextRender(drawn);
  return isDrawn.asReadonly();
}
