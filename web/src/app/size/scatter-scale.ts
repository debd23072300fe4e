/** A plot's rectangle in its own units, which are about pixels at the reference width. */
export interface Plot {
  readonly width: number;
  readonly height: number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export interface Tick {
  readonly at: number;
  readonly words: string;
}

const STEPS = [1, 2, 2.5, 5, 10];

/** Round numbers over a stretch, about so many. */
export function roundTicks(least: number, most: number, about: number): readonly number[] {
  const room = Math.max(most - least, 1e-9);
  const power = 10 ** Math.floor(Math.log10(room / about));
  const step = power * (STEPS.find((one) => room / (one * power) <= about) ?? 10);
  const first = Math.ceil(least / step - 1e-9);
  return Array.from({ length: Math.floor(most / step - first + 1e-9) + 1 }, (_, index) =>
    Number(((first + index) * step).toPrecision(12)),
  );
}

/** From values to the plot: x to the right, y upwards. */
export function plotScale(plot: Plot, x: readonly [number, number], y: readonly [number, number]) {
  const { width, height, left, right, top, bottom } = plot;
  const spread = ([least, most]: readonly [number, number]) => Math.max(most - least, 1e-9);
  return {
    x: (value: number) => left + ((value - x[0]) / spread(x)) * (width - left - right),
    y: (value: number) => height - bottom - ((value - y[0]) / spread(y)) * (height - top - bottom),
  };
}

/** A line through points, as a path. */
export const pathOf = (points: readonly { readonly x: number; readonly y: number }[]): string =>
  points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');

/** Whether the page is a phone's: its plots are drawn smaller so that their words stay legible. */
export const isNarrow = (): boolean => matchMedia('(max-width: 599px)').matches;
