import { afterEveryRender, inject, Injectable, Injector, afterNextRender } from '@angular/core';

/** What lies over the page and gives the focus back to what opened it. */
const OVERLAY = '.dropdown-menu, .popover, .modal, .calendar';
const FIELDS = 'input:not([type="checkbox"], [type="radio"], [type="button"]), textarea';
const STOPS = 'a[href], button, input, select, textarea, summary, [tabindex]:not([tabindex="-1"])';

/** One step of the way from the focus up to the page: an element, what stood around it, and what it stood in. */
interface Step {
  readonly element: Element;
  readonly before: Element | null;
  readonly after: Element | null;
  readonly parent: Element | null;
}

/** Where the focus was. */
interface Trail {
  readonly steps: readonly Step[];
  /** What lies over the page around it, if anything does. */
  readonly overlay: Element | null;
  /** Where the focus was when that was opened. */
  readonly opener: Trail | null;
}

/**
 * Where next: the focus is never lost. When what has it is taken away, hidden or switched off, it goes to what stands in its
 * place; else to what stood after it or before it; else to what opened the menu it was in; else to the heading of its section.
 */
@Injectable({ providedIn: 'root' })
export class FocusKeeper {
  private readonly injector = inject(Injector);
  private trail: Trail | null = null;
  /** Whether the last thing done was done by a pointer: then nothing scrolls, and no field calls up a phone's keyboard. */
  private byPointer = false;

  constructor() {
    document.addEventListener('focusin', ({ target }) => this.note(target as Element));
    document.addEventListener('focusout', ({ relatedTarget }) => {
      if (relatedTarget === null) setTimeout(() => this.settle());
    });
    document.addEventListener('pointerdown', () => (this.byPointer = true), { capture: true, passive: true });
    // What stands around is noted anew with each press: lists change while the focus rests.
    document.addEventListener(
      'keydown',
      () => {
        this.byPointer = false;
        const focused = document.activeElement;
        if (focused && focused !== document.body) this.note(focused);
      },
      { capture: true, passive: true },
    );
    document.addEventListener(
      'click',
      ({ target }) => {
        const pressed = (target as Element).closest(STOPS);
        if (pressed && pressed === document.activeElement) this.note(pressed);
      },
      { capture: true, passive: true },
    );
    afterEveryRender(() => this.mend(), { injector: this.injector });
  }

  /** Goes somewhere once the page is drawn again, and shows it. */
  go(find: () => HTMLElement | null | undefined): void {
    const arrive = () => {
      const there = find() ?? null;
      this.put(there);
      there?.scrollIntoView({ block: 'nearest' });
    };
    afterNextRender(arrive, { injector: this.injector });
  }

  private note(target: Element): void {
    const overlay = target.closest(OVERLAY);
    const { trail } = this;
    const opener = overlay === null ? null : trail?.overlay === overlay ? trail.opener : trail;
    this.trail = { steps: stepsFrom(target), overlay, opener };
  }

  /** Looks after what has just lost the focus; one that was left on purpose is forgotten. */
  private settle(): void {
    this.mend();
    if (document.hasFocus() && document.activeElement === document.body) this.trail = null;
  }

  private mend(): void {
    const { trail } = this;
    if (!trail || !isLost(trail.steps[0].element)) return;
    this.trail = null;
    this.put(nextOn(trail, this.byPointer));
  }

  private put(next: HTMLElement | null): void {
    if (!next) return;
    if (!next.matches(STOPS)) next.tabIndex = -1;
    next.focus({ preventScroll: this.byPointer });
  }
}

/** Whether the focus was on an element and has gone nowhere, since the element is gone, unseen or switched off. */
function isLost(element: Element): boolean {
  const { activeElement } = document;
  // What still has the focus is seen: a browser takes it from what it hides. Asked at each drawing, so nothing is measured here.
  if (activeElement === element) return element.matches(':disabled');
  return (activeElement === null || activeElement === document.body) && !canTake(element);
}

function stepsFrom(target: Element): Step[] {
  const steps: Step[] = [];
  for (let element: Element | null = target; element && element !== document.body;) {
    const parent: Element | null = element.parentElement;
    steps.push({
      element,
      before: element.previousElementSibling,
      after: element.nextElementSibling,
      parent,
    });
    element = parent;
  }
  return steps;
}

function nextOn(trail: Trail, byPointer: boolean): HTMLElement | null {
  for (const { element, before, after, parent } of trail.steps) {
    if (element === trail.overlay) {
      // A dialog that is open keeps the focus; a menu that has closed gives it back to what opened it.
      if (element.isConnected && !isShut(element)) return stopIn(element, byPointer) ?? headingOf(element);
      break;
    }
    if (element.isConnected && !isShut(element)) continue;
    if (!parent?.isConnected || isShut(parent)) continue;
    const there = before?.parentElement === parent ? before.nextElementSibling : parent.firstElementChild;
    for (const one of [there, after, before]) {
      const stop = one?.isConnected && one.parentElement === parent ? stopIn(one, byPointer) : null;
      if (stop) return stop;
    }
  }
  const { opener } = trail;
  if (opener)
    return canTake(opener.steps[0].element)
      ? (opener.steps[0].element as HTMLElement)
      : nextOn(opener, byPointer);
  const home = trail.steps.find(
    ({ element }) => element.isConnected && element.matches('section, dialog, main'),
  );
  return home ? headingOf(home.element) : document.querySelector('main');
}

const headingOf = (home: Element): HTMLElement =>
  home.querySelector<HTMLElement>('h1, h2, h3') ?? (home as HTMLElement);

/** The first thing within an element that can take the focus, or itself. */
function stopIn(element: Element, byPointer: boolean): HTMLElement | null {
  const all = [element, ...element.querySelectorAll(STOPS)];
  const found = all.find((one) => one.matches(STOPS) && canTake(one) && !(byPointer && one.matches(FIELDS)));
  return (found ?? null) as HTMLElement | null;
}

const isShut = (element: Element): boolean => !element.checkVisibility({ visibilityProperty: true });

const canTake = (element: Element): boolean =>
  element.isConnected && !isShut(element) && !element.matches(':disabled') && !element.closest('[inert]');
