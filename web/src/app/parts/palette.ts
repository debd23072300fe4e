/** Colours of the drawing, read off the theme's custom properties so that a theme is changed in one place. */
export interface Palette {
  readonly ink: string;
  readonly muted: string;
  readonly hairline: string;
  readonly paper: string;
  readonly slate: string;
  readonly slateSoft: string;
  readonly stop: string;
  readonly stopSoft: string;
  readonly moss: string;
  readonly mossSoft: string;
  readonly sun: string;
  /** A kit that was tried. */
  readonly kit: string;
  /** Width of the ridge line, px. */
  readonly line: number;
}

export function readPalette(element: Element): Palette {
  const style = getComputedStyle(element);
  const isForced = matchMedia('(forced-colors: active)').matches;
  const value = (name: string) => {
    const text = style.getPropertyValue(name).trim();
    return isForced ? resolved(text, element) : text;
  };
  return {
    ink: value('--ink'),
    muted: value('--muted'),
    hairline: value('--hairline'),
    paper: value('--paper'),
    slate: value('--slate'),
    slateSoft: value('--slate-soft'),
    stop: value('--stop'),
    stopSoft: value('--stop-soft'),
    moss: value('--moss'),
    mossSoft: value('--moss-soft'),
    sun: value('--sun'),
    kit: value('--kit'),
    line: Number(value('--ridge-line')) || 2.5,
  };
}

/** A colour of the system by its name, as the numbers that a canvas draws with. */
function resolved(name: string, beside: Element): string {
  const probe = document.createElement('i');
  probe.style.setProperty('forced-color-adjust', 'none');
  probe.style.color = name;
  beside.parentElement?.append(probe);
  const { color } = getComputedStyle(probe);
  probe.remove();
  return color;
}
