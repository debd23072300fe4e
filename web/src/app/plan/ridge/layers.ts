import { sayHour, sayTime, localHours, sayDate } from '@knapsack/core';
import { markHours } from '../time-scale';
import { socAtInstant } from '../view-at';
import { FONT, type Frame, type Scene } from './scene';

type Layer = (context: CanvasRenderingContext2D, frame: Frame, scene: Scene) => void;

/** Hour lines and their names under the plot; the day's name at the first mark and at each midnight. */
export const hours: Layer = (context, frame, { view, zone, palette }) => {
  const every = markHours(view.endMs - view.startMs, frame.right - frame.left);
  context.font = `12px ${FONT}`;
  context.textBaseline = 'top';
  let lastRight = -Infinity;
  let named = '';
  for (const mark of localHours(view.startMs, view.endMs, Math.min(every, 24), zone)) {
    const x = Math.round(frame.x(mark)) + 0.5;
    const hour = sayHour(mark, zone);
    const midnight = hour === '00:00';
    line(context, x, frame.top, x, frame.bottom, midnight ? palette.muted : palette.hairline, 1);
    const text = every >= 24 ? sayTime(mark, zone).slice(0, 3) : hour.slice(0, 2);
    const half = context.measureText(text).width / 2;
    if (x - half > lastRight + 6) {
      context.fillStyle = palette.muted;
      context.textAlign = 'center';
      context.fillText(text, x, frame.bottom + 5);
      lastRight = x + half;
    }
    const day = sayDate(mark, zone).split(' ').slice(0, 2).join(' ');
    if (day !== named && (midnight || named === '')) {
      context.fillStyle = palette.ink;
      context.textAlign = 'left';
      context.fillText(day, Math.min(x, frame.right - 40), frame.bottom + 20);
      named = day;
    }
  }
};

/** Charge in percent, left of the plot. */
export const scale: Layer = (context, frame, { palette }) => {
  context.font = `12px ${FONT}`;
  context.textAlign = 'right';
  context.textBaseline = 'middle';
  context.fillStyle = palette.muted;
  for (const soc of [0, 0.25, 0.5, 0.75, 1]) {
    context.fillText(`${soc * 100} %`, frame.left - 8, frame.y(soc));
    if (soc > 0) line(context, frame.left, frame.y(soc), frame.right, frame.y(soc), palette.hairline, 0.5);
  }
};

/** The reserve as water: the ridge must not reach it. */
export const water: Layer = (context, frame, { view, palette }) => {
  const y = frame.y(view.floorSoc);
  context.beginPath();
  context.moveTo(frame.left, y);
  for (let x = frame.left; x <= frame.right; x += 2)
    context.lineTo(x, y + 1.6 * Math.sin((x - frame.left) / 6));
  context.strokeStyle = palette.stop;
  context.lineWidth = Math.max(1.4, palette.line * 0.6);
  context.stroke();
  context.lineTo(frame.right, frame.bottom);
  context.lineTo(frame.left, frame.bottom);
  context.closePath();
  context.fillStyle = palette.stopSoft;
  context.fill();
  context.font = `12px ${FONT}`;
  context.textAlign = 'left';
  context.textBaseline = 'middle';
  const roomBelow = frame.bottom - y;
  plate(
    context,
    `reserve ${Math.round(view.floorSoc * 100)} %`,
    frame.left + 8,
    roomBelow > 18 ? y + roomBelow / 2 : y - 12,
    palette.ink,
    null,
  );
};

/** Short strokes down the slope under the ridge, as a map draws a hillside. */
export const hachures: Layer = (context, frame, { view, palette }) => {
  context.strokeStyle = palette.slate;
  context.globalAlpha = 0.45;
  context.lineWidth = 1;
  context.beginPath();
  for (let x = frame.left + 6; x < frame.right; x += 11) {
    const timeMs =
      view.startMs + ((x - frame.left) / (frame.right - frame.left)) * (view.endMs - view.startMs);
    const y = frame.y(socAtInstant(view, timeMs));
    const length = Math.min(12 + 5 * Math.sin(x * 0.7), frame.bottom - y - 3);
    if (length < 3) continue;
    context.moveTo(x, y + 3);
    context.lineTo(x + 2, y + 3 + length);
  }
  context.stroke();
  context.globalAlpha = 1;
};

/** Where the plan ends too soon, a barred mark; else the low point. */
export const marks: Layer = (context, frame, { view, zone, palette }) => {
  const { verdict } = view;
  context.font = `600 13px ${FONT}`;
  context.textBaseline = 'middle';
  if (verdict.endMs !== null) {
    const x = frame.x(verdict.endMs);
    const y = frame.y(socAtInstant(view, verdict.endMs));
    line(context, x, frame.top, x, frame.bottom, palette.stop, palette.line * 0.7);
    cross(context, x, y, palette.stop, palette.paper);
    const text = `ends ${sayTime(verdict.endMs, zone)}`;
    const width = context.measureText(text).width;
    const toTheRight = x + 14 + width < frame.right;
    context.textAlign = toTheRight ? 'left' : 'right';
    plate(
      context,
      text,
      x + (toTheRight ? 14 : -14),
      Math.max(frame.top + 12, y - 22),
      palette.stop,
      palette.paper,
    );
    return;
  }
  const x = frame.x(verdict.lowestMs);
  const y = frame.y(verdict.lowestSoc);
  context.beginPath();
  context.arc(x, y, 5, 0, 2 * Math.PI);
  context.fillStyle = palette.paper;
  context.fill();
  context.strokeStyle = palette.slate;
  context.lineWidth = palette.line;
  context.stroke();
  const text = `lowest ${Math.round(verdict.lowestSoc * 100)} %`;
  const toTheLeft = x + 12 + context.measureText(text).width > frame.right;
  context.textAlign = toTheLeft ? 'right' : 'left';
  // The ridge comes down to its low point and may rise again: below it there is room for the label.
  const roomBelow = frame.y(view.floorSoc) - y > 34 || y + 34 < frame.bottom;
  plate(context, text, x + (toTheLeft ? -12 : 12), roomBelow ? y + 22 : y - 18, palette.ink, palette.paper);
};

/** The line that runs through all lanes at the cursor. */
export const cursor: Layer = (context, frame, { view, cursorMs, palette }) => {
  if (cursorMs === null || cursorMs < view.startMs || cursorMs > view.endMs) return;
  const x = Math.round(frame.x(cursorMs)) + 0.5;
  context.setLineDash([3, 3]);
  line(context, x, frame.top, x, frame.bottom, palette.ink, 1);
  context.setLineDash([]);
  context.beginPath();
  context.arc(x, frame.y(socAtInstant(view, cursorMs)), 4, 0, 2 * Math.PI);
  context.fillStyle = palette.ink;
  context.fill();
};

export const UNDER_THE_RIDGE: readonly Layer[] = [scale, hours, water];
export const OVER_THE_RIDGE: readonly Layer[] = [hachures, cursor, marks];

function line(
  context: CanvasRenderingContext2D,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  colour: string,
  width: number,
): void {
  context.beginPath();
  context.moveTo(x1, y1);
  context.lineTo(x2, y2);
  context.strokeStyle = colour;
  context.lineWidth = width;
  context.stroke();
}

function cross(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  colour: string,
  ground: string,
): void {
  context.beginPath();
  context.arc(x, y, 7, 0, 2 * Math.PI);
  context.fillStyle = ground;
  context.fill();
  context.strokeStyle = colour;
  context.lineWidth = 2;
  context.stroke();
  line(context, x - 3, y - 3, x + 3, y + 3, colour, 2);
  line(context, x - 3, y + 3, x + 3, y - 3, colour, 2);
}

/** Text on a plate of the ground's colour, so that no line runs through it. */
function plate(
  context: CanvasRenderingContext2D,
  text: string,
  x: number,
  y: number,
  colour: string,
  ground: string | null,
): void {
  if (ground) {
    const width = context.measureText(text).width;
    const left = context.textAlign === 'right' ? x - width : x;
    context.globalAlpha = 0.85;
    context.fillStyle = ground;
    context.fillRect(left - 3, y - 9, width + 6, 18);
    context.globalAlpha = 1;
  }
  context.fillStyle = colour;
  context.fillText(text, x, y);
}
