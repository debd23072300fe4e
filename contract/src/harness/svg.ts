import type { HarnessDrawing, Look, Shape } from './drawing.js';

/** How a drawing looks by itself, outside of the page: on white, for a file or for paper. */
const LOOKS: Record<Look, string> = {
  part: 'fill="#fffdf7" stroke="#22302e" stroke-width="1.2"',
  battery: 'fill="#e4ecf2" stroke="#2f5d7c" stroke-width="1.6"',
  gap: 'fill="none" stroke="#c8432b" stroke-width="1.4" stroke-dasharray="5 4"',
  kind: 'font-size="11" fill="#566360"',
  name: 'font-size="14" font-weight="600" fill="#22302e"',
  run: 'fill="none" stroke="#22302e" stroke-width="1.6"',
  'run-gap': 'fill="none" stroke="#566360" stroke-width="1.4" stroke-dasharray="4 4"',
  arrow: 'fill="none" stroke="#22302e" stroke-width="1.6"',
  words: 'font-size="12" fill="#566360"',
  figures: 'font-size="12" fill="#22302e"',
  fuse: 'fill="#ffffff" stroke="#22302e" stroke-width="1.4"',
  'fuse-words': 'font-size="12" font-weight="600" fill="#22302e"',
  stop: 'fill="#c8432b"',
  look: 'fill="#c98a1b"',
};

/** A drawing as an SVG file that stands alone. @param font the family that its words are set in */
export function svgOf({ width, height, groups }: HarnessDrawing, title: string, font = 'sans-serif'): string {
  const shapes = groups.flatMap((group) => group.shapes);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${Math.ceil(width)} ${Math.ceil(height)}" width="${Math.ceil(width)}" height="${Math.ceil(height)}" font-family="${escaped(font)}">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="100%" height="100%" fill="#ffffff"/>`,
    ...shapes.map(element),
    '</svg>',
  ].join('\n');
}

function element(shape: Shape): string {
  const look = LOOKS[shape.look];
  return shape.is === 'path'
    ? `<path d="${shape.d}" ${look}/>`
    : `<text x="${shape.x.toFixed(1)}" y="${shape.y.toFixed(1)}" text-anchor="${shape.anchor}" ${look}>${escaped(shape.text)}</text>`;
}

const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
