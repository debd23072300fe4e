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
  const over = new AbortController();
  let moved = false;

  const onMove = (event: PointerEvent): void => {
    if (event.pointerId !== press.pointerId) return;
    const dx = event.clientX - press.clientX;
    moved ||= Math.abs(dx) > SHAKY_PX;
    if (moved) tale.move(event, dx);
  };
  const end = (event: PointerEvent): void => {
    if (event.pointerId !== press.pointerId || over.signal.aborted) return;
    over.abort();
    if (target.hasPointerCapture(press.pointerId)) target.releasePointerCapture(press.pointerId);
    tale.end(event, moved);
  };
  const onKey = (event: KeyboardEvent): void => {
    if (event.key !== 'Escape') return;
    // It ends the drag and nothing else.
    event.stopPropagation();
    event.preventDefault();
    end(press);
  };
  const { signal } = over;
  target.addEventListener('pointermove', onMove, { signal });
  for (const last of ['pointerup', 'pointercancel', 'lostpointercapture'] as const) {
    target.addEventListener(last, end, { signal });
  }
  document.addEventListener('keydown', onKey, { signal, capture: true });
}
