/** Strokes and words that the ridge's layers are made of. Colours and widths are the caller's; positions in px. */

export function line(
  context: CanvasRenderingContext2D,
  from: readonly [number, number],
  to: readonly [number, number],
  colour: string,
  width: number,
): void {
  context.beginPath();
  context.moveTo(...from);
  context.lineTo(...to);
  context.strokeStyle = colour;
  context.lineWidth = width;
  context.stroke();
}

/** A round mark with a ring, and what is drawn inside. */
export function ring(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  radius: number,
  colour: string,
  ground: string,
): void {
  context.beginPath();
  context.arc(x, y, radius, 0, 2 * Math.PI);
  context.fillStyle = ground;
  context.fill();
  context.strokeStyle = colour;
  context.lineWidth = 2;
  context.stroke();
}

export function cross(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  colour: string,
  ground: string,
): void {
  ring(context, x, y, 7, colour, ground);
  line(context, [x - 3, y - 3], [x + 3, y + 3], colour, 2);
  line(context, [x - 3, y + 3], [x + 3, y - 3], colour, 2);
}

/** Text on a plate of the ground's colour, so that no line runs through it. */
export function plate(
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
