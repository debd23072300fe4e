/** What a drag tells while it goes on; distances in CSS pixels from where it began. */
export interface DragTale {
  move(event: PointerEvent, dx: number): void;
  /** @param moved whether it went further than a shaky hand does */
  end(event: PointerEvent, moved: boolean): void;
  /** It came to nothing: by Escape, a lost pointer, or a finger that turned out to scroll. All is to be as it was. */
  off(): void;
}

/** How far a hand shakes, px: a mouse's press wanders less than a finger's. */
const SHAKY_PX = { mouse: 3, finger: 8 };

/**
 * Follows one pointer from its press to its release, captured so that it may leave the element.
 * Mouse, pen and finger alike; Escape or a lost pointer calls it off.
 *
 * @param begins how far it goes before it is told of, px, and whether that may be up or down as well as sideways
 */
export function followPointer(
  press: PointerEvent,
  tale: DragTale,
  begins: { readonly afterPx?: number; readonly anyWay?: boolean } = {},
): void {
  if (press.button !== 0) return;
  const target = press.currentTarget as HTMLElement;
  target.setPointerCapture(press.pointerId);
  const over = new AbortController();
  const shakyPx = begins.afterPx ?? (press.pointerType === 'touch' ? SHAKY_PX.finger : SHAKY_PX.mouse);
  let moved = false;

  const onMove = (event: PointerEvent): void => {
    if (event.pointerId !== press.pointerId) return;
    const dx = event.clientX - press.clientX;
    const far = begins.anyWay ? Math.hypot(dx, event.clientY - press.clientY) : Math.abs(dx);
    moved ||= far > shakyPx;
    if (moved) tale.move(event, dx);
  };
  const finish = (tell: () => void): void => {
    if (over.signal.aborted) return;
    over.abort();
    if (target.hasPointerCapture(press.pointerId)) target.releasePointerCapture(press.pointerId);
    tell();
  };
  const onKey = (event: KeyboardEvent): void => {
    if (event.key !== 'Escape') return;
    // It ends the drag and nothing else.
    event.stopPropagation();
    event.preventDefault();
    finish(() => tale.off());
  };
  const { signal } = over;
  target.addEventListener('pointermove', onMove, { signal });
  target.addEventListener(
    'pointerup',
    (event) => {
      if (event.pointerId === press.pointerId) finish(() => tale.end(event, moved));
    },
    { signal },
  );
  for (const lost of ['pointercancel', 'lostpointercapture'] as const) {
    target.addEventListener(
      lost,
      (event) => {
        if (event.pointerId === press.pointerId) finish(() => tale.off());
      },
      { signal },
    );
  }
  document.addEventListener('keydown', onKey, { signal, capture: true });
}
