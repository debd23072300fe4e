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
  readonly mossSoft: string;
  readonly sun: string;
  /** Width of the ridge line, px. */
  readonly line: number;
}

export function readPalette(element: Element): Palette {
  const style = getComputedStyle(element);
  const value = (name: string) => style.getPropertyValue(name).trim();
  return {
    ink: value('--ink'),
    muted: value('--muted'),
    hairline: value('--hairline'),
    paper: value('--paper'),
    slate: value('--slate'),
    slateSoft: value('--slate-soft'),
    stop: value('--stop'),
    stopSoft: value('--stop-soft'),
    mossSoft: value('--moss-soft'),
    sun: value('--sun'),
    line: Number(value('--ridge-line')) || 2.5,
  };
}
