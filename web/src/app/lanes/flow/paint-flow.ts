import type { Palette } from '../../parts/palette';
import { FONT } from '../ridge/scene';
import type { FlowColumn } from './flow-columns';

/** The plot of the flow lane, px, and its scale. */
export interface FlowFrame {
  readonly left: number;
  readonly width: number;
  readonly height: number;
  /** The largest current in and out that it must hold, A. */
  readonly mostInA: number;
  readonly mostOutA: number;
}

/** Room above and below the currents, px. */
const INSET = 3;

/** Amps in above a zero line, those of chargers below the sun's, amps out below it; where the sun covers out it glows, and what nothing takes is hatched. */
export function paintFlow(
  context: CanvasRenderingContext2D,
  columns: readonly FlowColumn[],
  frame: FlowFrame,
  palette: Palette,
): void {
  const { left, width, height, mostInA, mostOutA } = frame;
  const perAmp = (height - 2 * INSET) / Math.max(1e-9, mostInA + mostOutA);
  const zero = INSET + mostInA * perAmp;
  const columnPx = width / columns.length;
  const bars = (colour: string, of: (column: FlowColumn) => readonly [from: number, to: number] | null) => {
    context.beginPath();
    columns.forEach((column, at) => {
      const bar = of(column);
      if (bar)
        context.rect(left + at * columnPx, Math.min(...bar), columnPx + 0.6, Math.abs(bar[1] - bar[0]));
    });
    context.fillStyle = colour;
    context.fill();
  };

  bars(palette.mossSoft, ({ carried }) => (carried ? [0, height] : null));
  bars(palette.sun, ({ inA }) => (inA > 0 ? [zero - inA * perAmp, zero] : null));
  bars(palette.moss, ({ fedA }) => (fedA > 0 ? [zero - fedA * perAmp, zero] : null));
  bars(palette.slate, ({ outA }) => (outA > 0 ? [zero, zero + outA * perAmp] : null));

  context.save();
  context.beginPath();
  columns.forEach(({ inA, curtailedA }, at) => {
    if (curtailedA > 0)
      context.rect(left + at * columnPx, zero - inA * perAmp, columnPx + 0.6, curtailedA * perAmp);
  });
  context.clip();
  context.fillStyle = palette.paper;
  context.globalAlpha = 0.6;
  context.fillRect(left, 0, width, height);
  context.globalAlpha = 1;
  context.beginPath();
  for (let x = left - height; x < left + width; x += 5) {
    context.moveTo(x, height);
    context.lineTo(x + height, 0);
  }
  context.strokeStyle = palette.ink;
  context.lineWidth = 0.8;
  context.stroke();
  context.restore();

  context.beginPath();
  context.moveTo(left, zero);
  context.lineTo(left + width, zero);
  context.strokeStyle = palette.ink;
  context.lineWidth = 1;
  context.stroke();
  sayScale(context, frame, zero, palette);
}

/** A margin in which a figure has no room beside the lane's name. */
const NARROW_PX = 60;

/** The largest current in and out, left of the plot. */
function sayScale(
  context: CanvasRenderingContext2D,
  { left, height, mostInA, mostOutA }: FlowFrame,
  zero: number,
  palette: Palette,
): void {
  context.font = `12px ${FONT}`;
  context.textAlign = 'right';
  context.textBaseline = 'middle';
  context.fillStyle = palette.muted;
  const say = (amps: number) => `${amps.toFixed(amps < 10 ? 1 : 0)} A`;
  // In a narrow margin the lane's name stands above the figure.
  const [top, bottom] = [left < NARROW_PX ? 22 : 8, height - 8];
  if (mostInA > 0 && zero > top - 2) context.fillText(say(mostInA), left - 8, top);
  if (mostOutA > 0 && bottom - top > 16) context.fillText(say(mostOutA), left - 8, bottom);
}
