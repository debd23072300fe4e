import { localHours, sayFullHour, sayHour, sayWeekday, valueAt } from '@knapsack/core';
import { markHours } from '../time-scale';
import { endMarks, lowestMark, swapMarks } from './marks';
import { FONT, type Frame, type Layer, type Scene } from './scene';
import { line, plate } from './strokes';

/** Where the hours are marked, with their words: as many as can be read over the visible stretch. */
export function hourMarks({ visible, zone }: Scene, widthPx: number): Frame['hours'] {
  const every = markHours(visible.endMs - visible.startMs, widthPx);
  const ofDays = every >= 24;
  const midnights = new Set(localHours(visible.startMs, visible.endMs, 24, zone));
  const sayMark = every < 1 ? sayHour : sayFullHour;
  return localHours(visible.startMs, visible.endMs, every, zone).map((timeMs) => {
    const day = sayWeekday(timeMs, zone);
    return {
      timeMs,
      midnight: !ofDays && midnights.has(timeMs),
      text: ofDays ? day : sayMark(timeMs, zone),
      day: ofDays ? null : day,
    };
  });
}

/** Hour lines and their names under the plot; the day's name at the first mark and at each midnight. */
const hours: Layer = (context, frame, { palette }) => {
  context.font = `12px ${FONT}`;
  context.textBaseline = 'top';
  let lastRight = -Infinity;
  let lastDayRight = -Infinity;
  let named: string | null = null;
  for (const { timeMs, midnight, text, day } of frame.hours) {
    const x = Math.round(frame.x(timeMs)) + 0.5;
    line(context, [x, frame.top], [x, frame.bottom], midnight ? palette.muted : palette.hairline, 1);
    const half = context.measureText(text).width / 2;
    if (x - half > lastRight + 6 && x + half < frame.right + 14) {
      context.fillStyle = palette.muted;
      context.textAlign = 'center';
      context.fillText(text, x, frame.bottom + 5);
      lastRight = x + half;
    }
    if (day !== null && day !== named && (midnight || named === null) && x > lastDayRight) {
      context.fillStyle = palette.ink;
      context.textAlign = 'left';
      const left = Math.min(x, frame.right - 40);
      context.fillText(day, left, frame.bottom + 20);
      lastDayRight = left + context.measureText(day).width + 8;
      named = day;
    }
  }
};

/** The scale, left of the plot. */
const scale: Layer = (context, frame, { palette, picture }) => {
  context.font = `12px ${FONT}`;
  context.textAlign = 'right';
  context.textBaseline = 'middle';
  context.fillStyle = palette.muted;
  for (const tick of picture.ticks) {
    const y = frame.y(tick);
    context.fillText(picture.say(tick), frame.left - 8, y);
    if (tick > picture.least) line(context, [frame.left, y], [frame.right, y], palette.hairline, 0.5);
  }
};

/** What must not be reached, as water: the reserve, or the volts at which the radio drops out. */
const water: Layer = (context, frame, { picture, palette }) => {
  const y = frame.y(picture.water);
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
    picture.waterWords,
    frame.left + 8,
    roomBelow > 18 ? y + roomBelow / 2 : y - 12,
    palette.ink,
    null,
  );
};

/** Px between the points that the haze is drawn through. */
const HAZE_PX = 3;

/** What chance makes of the ridge: eight of ten samples lie in it. Its lower rim is a line, since that is the one to look at. */
const hazeAround: Layer = (context, frame, { haze, visible, palette }) => {
  if (!haze) return;
  const xs: number[] = [];
  for (let x = frame.left; x < frame.right; x += HAZE_PX) xs.push(x);
  xs.push(frame.right);
  const y = (values: Float32Array, x: number) => {
    const share = (x - frame.left) / (frame.right - frame.left);
    return frame.y(
      valueAt(haze.edgesMs, values, visible.startMs + share * (visible.endMs - visible.startMs)),
    );
  };
  context.beginPath();
  xs.forEach((x, at) => (at === 0 ? context.moveTo(x, y(haze.p90, x)) : context.lineTo(x, y(haze.p90, x))));
  for (const x of [...xs].reverse()) context.lineTo(x, y(haze.p10, x));
  context.closePath();
  context.fillStyle = palette.slate;
  context.globalAlpha = 0.17;
  context.fill();
  context.globalAlpha = 0.75;
  context.strokeStyle = palette.slate;
  context.lineWidth = Math.max(1, palette.line * 0.35);
  context.setLineDash([1.5, 3]);
  context.beginPath();
  xs.forEach((x, at) => (at === 0 ? context.moveTo(x, y(haze.p10, x)) : context.lineTo(x, y(haze.p10, x))));
  context.stroke();
};

/** Short strokes down the slope under the ridge, as a map draws a hillside. */
const hachures: Layer = (context, frame, { view, picture, visible, palette }) => {
  context.strokeStyle = palette.slate;
  context.globalAlpha = 0.45;
  context.lineWidth = 1;
  context.beginPath();
  for (let x = frame.left + 6; x < frame.right; x += 11) {
    const share = (x - frame.left) / (frame.right - frame.left);
    const timeMs = visible.startMs + share * (visible.endMs - visible.startMs);
    const y = frame.y(valueAt(view.edgesMs, picture.values, timeMs));
    const length = Math.min(12 + 5 * Math.sin(x * 0.7), frame.bottom - y - 3);
    if (length < 3) continue;
    context.moveTo(x, y + 3);
    context.lineTo(x + 2, y + 3 + length);
  }
  context.stroke();
  context.globalAlpha = 1;
};

/** What the lines beside the ridge are, said at their right ends. */
const besideNames: Layer = (context, frame, { beside, visible, palette }) => {
  context.font = `12px ${FONT}`;
  context.textAlign = 'right';
  context.textBaseline = 'middle';
  let lastY = -Infinity;
  const named = beside
    .map(({ name, edgesMs, picture }) => ({
      name,
      y: frame.y(valueAt(edgesMs, picture.values, visible.endMs)),
    }))
    .sort((a, b) => a.y - b.y);
  for (const { name, y } of named) {
    const at = Math.max(y - 10, lastY + 17, frame.top + 8);
    plate(context, name, frame.right - 6, at, palette.muted, palette.paper);
    lastY = at;
  }
};

/** The end, where the plan ends too soon, else the low point. */
const tellingMark: Layer = (context, frame, scene) =>
  scene.view.verdict.endMs === null ? lowestMark(context, frame, scene) : endMarks(context, frame, scene);

export const UNDER_THE_RIDGE: readonly Layer[] = [scale, hours, water, hazeAround];
export const OVER_THE_RIDGE: readonly Layer[] = [hachures, swapMarks, besideNames, tellingMark];
