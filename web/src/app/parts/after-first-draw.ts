import { afterNextRender, signal, type Signal } from '@angular/core';

/** False until a component stands as it first does: what takes long to draw waits for what is read first. */
export function afterFirstDraw(): Signal<boolean> {
  const isDrawn = signal(false);
  afterNextRender(() => setTimeout(() => isDrawn.set(true)));
  return isDrawn.asReadonly();
}
