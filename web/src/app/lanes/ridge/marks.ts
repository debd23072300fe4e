import { sayTime, valueAt } from '@knapsack/core';
import type { ForecastView } from '../../work/forecast-protocol';
import { FONT, type Frame, type Layer } from './scene';
import { cross, line, plate, ring } from './strokes';

/** An end point of the run with its sign, so that the three are told apart without colour. */
interface EndMark {
  readonly timeMs: number;
  readonly words: string;
  readonly sign: 'reserve' | 'dropout' | 'cutoff';
  readonly first: boolean;
}

/** The end points that the run reaches, in order of time; the one that ends the plan is the first. */
export function endMarksOf({ verdict }: ForecastView): readonly EndMark[] {
  const { reserveMs, radioDropoutMs, cutoffMs, binds } = verdict;
  const marks: readonly [number | null, string, EndMark['sign'], boolean][] = [
    [cutoffMs, 'battery cuts off', 'cutoff', binds === 'cutoff'],
    [radioDropoutMs, 'radio drops out', 'dropout', binds === 'radioDropout'],
    [reserveMs, 'down to the reserve', 'reserve', binds === 'reserve'],
  ];
  return marks
    .flatMap(([timeMs, words, sign, first]) => (timeMs === null ? [] : [{ timeMs, words, sign, first }]))
    .sort((a, b) => Number(b.first) - Number(a.first) || a.timeMs - b.timeMs);
}

/** Where the plan ends too soon, with a barred mark; the other end points that it would reach, smaller, each with its sign. */
export const endMarks: Layer = (context, frame, { view, picture, visible, zone, palette }) => {
  context.textBaseline = 'middle';
  const taken: number[] = [];
  for (const { timeMs, words, sign, first } of endMarksOf(view)) {
    if (timeMs < visible.startMs || timeMs > visible.endMs) continue;
    const x = frame.x(timeMs);
    const y = frame.y(valueAt(view.edgesMs, picture.values, timeMs));
    if (first) line(context, [x, frame.top], [x, frame.bottom], palette.stop, palette.line * 0.7);
    if (first) cross(context, x, y, palette.stop, palette.paper);
    else smallSign(context, sign, x, y, palette.stop, palette.paper);
    context.font = first ? `600 13px ${FONT}` : `12px ${FONT}`;
    const ends = view.verdict.availability ? 'first off' : 'ends';
    const text = first ? `${ends} ${sayTime(timeMs, zone)}` : words;
    const width = context.measureText(text).width;
    const toTheRight = x + 14 + width < frame.right;
    context.textAlign = toTheRight ? 'left' : 'right';
    const at = freeHeight(y - 22, taken, frame);
    if (!first) line(context, [x, y - 6], [x, at + 8], palette.muted, 1);
    const side = first ? 14 : 4;
    plate(
      context,
      text,
      x + (toTheRight ? side : -side),
      at,
      first ? palette.stop : palette.ink,
      palette.paper,
    );
    taken.push(at);
  }
};

/** A height at which no label stands yet: the wanted one, else the next above it, else below. */
function freeHeight(wanted: number, taken: readonly number[], { top }: Frame): number {
  let at = Math.max(top + 12, wanted);
  while (taken.some((other) => Math.abs(other - at) < 18)) at -= 18;
  if (at >= top + 12) return at;
  for (at = Math.max(top + 12, wanted); taken.some((other) => Math.abs(other - at) < 18); at += 18);
  return at;
}

/** A triangle down for the reserve, a bolt's square for the drop-out, a ring for the cut-off. */
function smallSign(
  context: CanvasRenderingContext2D,
  sign: EndMark['sign'],
  x: number,
  y: number,
  colour: string,
  ground: string,
): void {
  if (sign === 'cutoff') {
    ring(context, x, y, 4.5, colour, ground);
    return;
  }
  context.beginPath();
  if (sign === 'reserve') {
    context.moveTo(x - 5, y - 4);
    context.lineTo(x + 5, y - 4);
    context.lineTo(x, y + 5);
  } else {
    context.moveTo(x, y - 6);
    context.lineTo(x + 5, y);
    context.lineTo(x, y + 6);
    context.lineTo(x - 5, y);
  }
  context.closePath();
  context.fillStyle = ground;
  context.fill();
  context.strokeStyle = colour;
  context.lineWidth = 2;
  context.stroke();
}

/** The low point of a plan that lasts. */
export const lowestMark: Layer = (context, frame, { view, picture, visible, palette }) => {
  if (!picture.lowest) return;
  const timeMs = view.edgesMs[picture.lowest.edge];
  if (timeMs < visible.startMs || timeMs > visible.endMs) return;
  const x = frame.x(timeMs);
  const y = frame.y(picture.values[picture.lowest.edge]);
  ring(context, x, y, 5, palette.slate, palette.paper);
  context.font = `600 13px ${FONT}`;
  context.textBaseline = 'middle';
  const text = picture.lowest.words;
  const toTheLeft = x + 12 + context.measureText(text).width > frame.right;
  context.textAlign = toTheLeft ? 'right' : 'left';
  // The ridge comes down to its low point and may rise again: below it there is room for the label.
  const roomBelow = frame.y(picture.water) - y > 34 || y + 34 < frame.bottom;
  plate(context, text, x + (toTheLeft ? -12 : 12), roomBelow ? y + 22 : y - 18, palette.ink, palette.paper);
};

/** A step down where the next battery comes into use, with its name. */
export const swapMarks: Layer = (context, frame, { view, picture, visible, palette }) => {
  context.font = `12px ${FONT}`;
  context.textBaseline = 'middle';
  for (const { kind, timeMs, pack } of view.verdict.events) {
    if (kind !== 'swap' || timeMs < visible.startMs || timeMs > visible.endMs) continue;
    const x = Math.round(frame.x(timeMs)) + 0.5;
    const y = frame.y(valueAt(view.edgesMs, picture.values, timeMs));
    line(context, [x, y], [x, frame.bottom], palette.slate, palette.line * 0.6);
    ring(context, x, y, 3, palette.slate, palette.paper);
    context.textAlign = x - 150 < frame.left ? 'left' : 'right';
    const to = x + (context.textAlign === 'left' ? 5 : -5);
    plate(context, pack ?? 'next battery', to, frame.bottom - 14, palette.ink, palette.paper);
  }
};
