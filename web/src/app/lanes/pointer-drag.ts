/** What a drag tells while it goes on; distances in CSS pixels from where it began. */
export interface DragTale {
  move(event: PointerEvent, dx: number): void;
  /** @param moved whether it went further than a shaky hand does */
  end(event: PointerEvent, moved: boolean): void;
}

const SHAKY_PX = 3;

/**
 * Follows one pointer from its press to its release, captured so that it may leave the element.
 * Mouse, pen and finger alike; Escape or a lost pointer ends it where it is.
 */
export function followPointer(press: PointerEvent, tale: DragTale): void {
  if (press.button !== 0) return;
  const target = press.currentTarget as HTMLElement;
  target.setPointerCapture(press.pointerId);
  let moved = false;

  const onMove = (event: PointerEvent): void => {
    if (event.pointerId !== press.pointerId) return;
    const dx = event.clientX - press.clientX;
    moved ||= Math.abs(dx) > SHAKY_PX;
    if (moved) tale.move(event, dx);
  };
  const onEnd = (event: PointerEvent): void => {
    if (event.pointerId !== press.pointerId) return;
    target.removeEventListener('pointermove', onMove);
    target.removeEventListener('pointerup', onEnd);
    target.removeEventListener('pointercancel', onEnd);
    tale.end(event, moved);
  };
  target.addEventListener('pointermove', onMove);
  target.addEventListener('pointerup', onEnd);
  target.addEventListener('pointercancel', onEnd);
}
