import type { ShadeHours } from '@knapsack/contract';
import { sayQuantity, type Span } from '@knapsack/core';
import { spanOf } from '@knapsack/contract/edits';
import { fractionAt } from '../time-scale';
import type { SkyView } from './sky-view';

/** Size of the drawing in its own units, and the sun height that reaches its top, degrees. */
export const HEIGHT = 60;
export const WIDTH = 1000;
const TOP_DEG = 65;

export interface Band {
  readonly x: number;
  readonly width: number;
  readonly opacity: number;
}

export interface SkyDrawing {
  /** The sun's height as a path. */
  readonly arc: string;
  readonly night: readonly Band[];
  /** Where the sun rises and sets. */
  readonly nightEdges: readonly number[];
  readonly cloud: readonly Band[];
  readonly shade: readonly { readonly x: number; readonly width: number }[];
  readonly labels: readonly { readonly text: string; readonly left: number }[];
  /** Temperature and wind over the hours, where they are known and change. */
  readonly lines: readonly { readonly name: 'air' | 'wind'; readonly path: string; readonly words: string }[];
}

/** The sky over a stretch as it is drawn. */
export function skyDrawing(sky: SkyView, view: Span, shade: readonly ShadeHours[]): SkyDrawing {
  const { timesMs, sunAltitudeDeg, cloud } = sky;
  const x = (timeMs: number) => WIDTH * fractionAt(view, timeMs);
  const y = (degrees: number) => HEIGHT - 3 - (Math.max(0, degrees) / TOP_DEG) * (HEIGHT - 8);
  const placed = shade
    .map((hours) => ({ ...spanOf(hours), label: hours.label }))
    .filter(({ startMs, endMs }) => endMs > view.startMs && startMs < view.endMs);
  return {
    arc: pathOf(timesMs, x, (step) => y(sunAltitudeDeg[step])),
    night: bandsOf(timesMs, x, (step) => darkness(sunAltitudeDeg[step])),
    nightEdges: crossings(timesMs, sunAltitudeDeg).map(x),
    cloud: bandsOf(timesMs, x, (step) => 0.42 * cloud[step]),
    shade: placed.map(({ startMs, endMs }) => ({ x: x(startMs), width: x(endMs) - x(startMs) })),
    labels: [
      ...placed.flatMap(({ startMs, label }) =>
        label ? [{ text: label, left: 100 * fractionAt(view, Math.max(startMs, view.startMs)) }] : [],
      ),
      ...wordsOf(sky, view),
    ],
    lines: [
      ...changing(timesMs, x, sky.airC, 'air', 'C'),
      ...changing(timesMs, x, sky.windMS, 'wind', 'm/s'),
    ],
  };
}

/** Where fog and rain begin, in words. */
function wordsOf({ timesMs, closed }: SkyView, view: Span): { text: string; left: number }[] {
  return closed.flatMap((word, step) =>
    word && word !== closed[step - 1] ? [{ text: word, left: 100 * fractionAt(view, timesMs[step]) }] : [],
  );
}

/** A line over the whole height of the lane, from the least to the most; none for what stays the same. */
function changing(
  timesMs: Float64Array,
  x: (timeMs: number) => number,
  values: Float64Array,
  name: 'air' | 'wind',
  unit: 'C' | 'm/s',
): SkyDrawing['lines'] {
  const least = values.reduce((low, value) => Math.min(low, value), Infinity);
  const most = values.reduce((high, value) => Math.max(high, value), -Infinity);
  if (most - least < 0.5) return [];
  const y = (step: number) => HEIGHT - 5 - ((values[step] - least) / (most - least)) * (HEIGHT - 12);
  const say = (value: number) => sayQuantity({ value, unit });
  // The unit once: "air 6 to 15 °C".
  const words = `${name} ${say(least).replace(/ \S+$/, '')} to ${say(most)}`;
  return [{ name, path: pathOf(timesMs, x, y), words }];
}

/** When the sun's middle passes the horizon, UTC epoch ms. */
function crossings(timesMs: Float64Array, altitudeDeg: Float64Array): number[] {
  const found: number[] = [];
  for (let step = 1; step < timesMs.length; step++) {
    const [low, high] = [altitudeDeg[step - 1], altitudeDeg[step]];
    if (low < 0 === high < 0) continue;
    found.push(timesMs[step - 1] + (timesMs[step] - timesMs[step - 1]) * (low / (low - high)));
  }
  return found;
}

const pathOf = (timesMs: Float64Array, x: (timeMs: number) => number, y: (step: number) => number): string =>
  Array.from(
    timesMs,
    (timeMs, step) => `${step === 0 ? 'M' : 'L'}${x(timeMs).toFixed(1)} ${y(step).toFixed(1)}`,
  ).join('');

/** 1 in the night, 0 by day, between in twilight (sun 0 to 12 degrees down). */
const darkness = (altitudeDeg: number): number => Math.min(1, Math.max(0, -altitudeDeg / 12)) * 0.8;

/** Neighbouring steps of the same shading as one band. */
function bandsOf(
  timesMs: Float64Array,
  x: (timeMs: number) => number,
  value: (step: number) => number,
): Band[] {
  const bands: Band[] = [];
  let from = 0;
  const rounded = (step: number) => Math.round(value(step) * 25) / 25;
  for (let step = 1; step < timesMs.length; step++) {
    const last = step === timesMs.length - 1;
    if (rounded(step) === rounded(from) && !last) continue;
    const opacity = rounded(from);
    if (opacity > 0) bands.push({ x: x(timesMs[from]), width: x(timesMs[step]) - x(timesMs[from]), opacity });
    from = step;
  }
  return bands;
}
