import type { ForecastView } from '../forecast-protocol';
import type { Palette } from './palette';

/** Space under the plot for the hours, px. */
export const HOURS_PX = 36;
export const MARGIN_TOP_PX = 14;

/** Space beside the plot that all lanes keep, px: on the left for their names and the scale. */
export interface Margins {
  readonly left: number;
  readonly right: number;
}

/** The margins as the style sheet gives them for this width of the page. */
export function readMargins(element: Element): Margins {
  const style = getComputedStyle(element);
  const pixels = (name: string) => Number.parseFloat(style.getPropertyValue(name)) || 0;
  return { left: pixels('--gutter'), right: pixels('--margin-right') };
}

/** All that the ridge's drawing shows besides the line itself. */
export interface Scene {
  readonly view: ForecastView;
  readonly zone: string;
  readonly cursorMs: number | null;
  readonly palette: Palette;
  readonly margins: Margins;
}

/** The plot's rectangle and its scales, px. */
export interface Frame {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly x: (timeMs: number) => number;
  readonly y: (soc: number) => number;
}

export const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif';
