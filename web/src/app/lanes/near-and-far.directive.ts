import { Directive, ElementRef, inject } from '@angular/core';
import { LanesStore } from '../trip/lanes.store';
import { readMargins } from './ridge/scene';
import { instantAt } from './time-scale';

/** How much a notch of a wheel draws near, and how far it moves along, per pixel of its turn. */
const ZOOM_PER_PX = 0.0022;
const PAN_PER_PX = 0.0012;
/** A wheel that rests this long begins anew, ms. */
const REST_MS = 400;

/** The lanes drawn near and away by wheel or by two fingers, and moved along by a wheel turned sideways or with Shift. */
@Directive({ selector: '[ksNearAndFar]' })
export class NearAndFarDirective {
  private readonly lanes = inject(LanesStore);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** When a turn of the wheel was last left to the page, ms. */
  private lastScrollMs = -Infinity;
  private readonly fingers = new Map<number, { x: number; readonly target: EventTarget | null }>();

  constructor() {
    this.element.addEventListener('wheel', this.onWheel, { passive: false });
    this.element.addEventListener('pointerdown', this.onDown, { capture: true });
    this.element.addEventListener('pointermove', this.onMove, { capture: true });
    for (const name of ['pointerup', 'pointercancel'] as const) {
      this.element.addEventListener(name, this.onUp, { capture: true });
    }
  }

  private readonly onWheel = (event: WheelEvent): void => {
    if (this.scrolls(event)) {
      this.lastScrollMs = event.timeStamp;
      return;
    }
    event.preventDefault();
    const unit = event.deltaMode === WheelEvent.DOM_DELTA_LINE ? 16 : 1;
    const sideways = event.shiftKey ? event.deltaX || event.deltaY : event.deltaX;
    if (event.shiftKey || Math.abs(sideways) > Math.abs(event.deltaY)) {
      this.lanes.pan(sideways * unit * PAN_PER_PX);
    } else {
      const times = Math.exp(-event.deltaY * unit * ZOOM_PER_PX * (event.ctrlKey ? 4 : 1));
      this.lanes.zoom(times, this.instantUnder(event.clientX));
    }
  };

  /**
   * Whether a turn of the wheel is the page's: downwards with all of the outing shown, upwards on a page that is scrolled
   * down, and what follows such a turn without a rest. So nobody who scrolls past the lanes is caught by them.
   */
  private scrolls({ deltaX, deltaY, ctrlKey, shiftKey, timeStamp }: WheelEvent): boolean {
    if (ctrlKey || shiftKey || Math.abs(deltaX) > Math.abs(deltaY) || this.lanes.window() !== null)
      return false;
    return deltaY > 0 || window.scrollY > 0 || timeStamp - this.lastScrollMs < REST_MS;
  }

  private readonly onDown = (event: PointerEvent): void => {
    if (event.pointerType !== 'touch') return;
    this.fingers.set(event.pointerId, { x: event.clientX, target: event.target });
    if (this.fingers.size < 2) return;
    // Two fingers draw near: what the first one began to drag is let go.
    event.stopPropagation();
    for (const [pointerId, { target }] of this.fingers) {
      if (pointerId !== event.pointerId) {
        target?.dispatchEvent(new PointerEvent('pointercancel', { pointerId, bubbles: true }));
      }
    }
    this.fingers.set(event.pointerId, { x: event.clientX, target: event.target });
  };

  private readonly onMove = (event: PointerEvent): void => {
    const finger = this.fingers.get(event.pointerId);
    if (!finger || this.fingers.size !== 2) return;
    event.stopPropagation();
    const [one, other] = [...this.fingers.values()];
    const before = Math.abs(one.x - other.x);
    const middleBefore = (one.x + other.x) / 2;
    const held = this.instantUnder(middleBefore);
    finger.x = event.clientX;
    const after = Math.abs(one.x - other.x);
    if (before > 10 && after > 10) this.lanes.zoom(after / before, held);
    const { width } = this.plot();
    this.lanes.pan((middleBefore - (one.x + other.x) / 2) / width);
  };

  private readonly onUp = (event: PointerEvent): void => {
    // The let-go that this directive makes up itself does not lift the finger.
    if (event.isTrusted) this.fingers.delete(event.pointerId);
  };

  private instantUnder(clientX: number): number {
    const { left, width } = this.plot();
    return instantAt(this.lanes.visible(), (clientX - left) / width);
  }

  /** Where the time axis lies on the page, px. */
  private plot(): { readonly left: number; readonly width: number } {
    const { left, width } = this.element.getBoundingClientRect();
    const margins = readMargins();
    return { left: left + margins.left, width: width - margins.left - margins.right };
  }
}
