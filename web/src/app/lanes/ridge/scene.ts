import type { Span } from '@knapsack/core';
import type { ForecastView } from '../../work/forecast-protocol';
import type { Palette } from '../../parts/palette';
import type { Picture } from './picture';

/** Space under the plot for the hours, px. */
export const HOURS_PX = 36;
export const MARGIN_TOP_PX = 14;

/** Space beside the plot that all lanes keep, px: on the left for their names and the scale. */
export interface Margins {
  readonly left: number;
  readonly right: number;
}

/** As they were read last; the style sheet gives others at another width of the page. */
let margins: Margins | null = null;
addEventListener('resize', () => (margins = null));

/** The margins as the style sheet gives them for this width of the page. */
export function readMargins(): Margins {
  if (margins) return margins;
  const style = getComputedStyle(document.documentElement);
  const pixels = (name: string) => Number.parseFloat(style.getPropertyValue(name)) || 0;
  const read = { left: pixels('--gutter'), right: pixels('--margin-right') };
  // Nothing is kept from before the style sheet was there.
  if (read.left > 0) margins = read;
  return read;
}

/** All that the ridge's drawing shows besides the line itself. */
export interface Scene {
  readonly view: ForecastView;
  readonly picture: Picture;
  /** The same plan before it was changed, and others to be held beside it. */
  readonly beside: readonly BesideLine[];
  /** What eight of ten samples lie between; null where it is not known or the picture is not of charge. */
  readonly haze: Haze | null;
  readonly visible: Span;
  readonly zone: string;
  readonly palette: Palette;
  readonly margins: Margins;
}

/** States of charge at the edges that one and nine of ten samples stay under, 0 to 1. */
export interface Haze {
  readonly edgesMs: Float64Array;
  readonly p10: Float32Array;
  readonly p90: Float32Array;
}

/** Another run drawn behind the ridge. */
export interface BesideLine {
  readonly name: string;
  readonly edgesMs: Float64Array;
  readonly picture: Picture;
  readonly dash: readonly number[];
}

/** A mark of the hours with its words, and its day's where that is told below. */
export interface HourMark {
  readonly timeMs: number;
  readonly midnight: boolean;
  readonly text: string;
  readonly day: string | null;
}

/** The plot's rectangle and its scales, px. */
export interface Frame {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly x: (timeMs: number) => number;
  /** Of a value on the picture's scale. */
  readonly y: (value: number) => number;
  readonly hours: readonly HourMark[];
}

/** One part of the drawing. */
export type Layer = (context: CanvasRenderingContext2D, frame: Frame, scene: Scene) => void;

export const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif';
