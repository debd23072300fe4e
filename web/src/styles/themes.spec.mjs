// The marks of the pictures against what they stand on, from the themes' own colours: 3:1 at the least (WCAG 2.2, 1.4.11).
import { readFileSync } from 'node:fs';

const source = readFileSync(new URL('themes.scss', import.meta.url), 'utf8');
const LEAST = 3;

/** The colours of a theme, by name. */
function colours(theme) {
  const [, body] = new RegExp(`\\[data-theme='${theme}'\\] \\{([^}]*)\\}`).exec(source);
  return new Map(
    [...body.matchAll(/--([a-z-]+): (#[0-9a-f]{6,8});/g)].map(([, name, hex]) => [name, rgba(hex)]),
  );
}

const rgba = (hex) =>
  [1, 3, 5, 7].map((at) => (at < hex.length ? parseInt(hex.slice(at, at + 2), 16) / 255 : 1));
const over = ([r, g, b, alpha], [x, y, z], share = 1) => {
  const a = alpha * share;
  return [r * a + x * (1 - a), g * a + y * (1 - a), b * a + z * (1 - a), 1];
};
const linear = (part) => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4);
const luminance = ([r, g, b]) => 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
const contrast = (one, other) => {
  const [low, high] = [luminance(one), luminance(other)].sort((a, b) => a - b);
  return (high + 0.05) / (low + 0.05);
};

/** What is seen against what. A cloud covers 0.42 of the sky at the most (sky-drawing.ts). */
const MARKS = [
  ['the edge of a block on the page', 'block-edge', (c) => c.get('paper')],
  ['the edge of a CW block on its ground', 'block-edge', (c) => c.get('key')],
  ['the edge of a voice block on its ground', 'block-edge', (c) => c.get('voice')],
  ['the edge of a digital block on its ground', 'block-edge', (c) => c.get('digital')],
  ['the sun’s line on a clear sky', 'sun-line', (c) => c.get('sky')],
  ['the sun’s line on an overcast sky', 'sun-line', (c) => over(c.get('cloud'), c.get('sky'), 0.42)],
  ['the rim of the night on the sky', 'ink', (c) => c.get('sky')],
  ['a kit of the scatter', 'kit', (c) => c.get('paper')],
  ['the front of the scatter', 'slate', (c) => c.get('paper')],
  ['amps in', 'sun', (c) => c.get('paper')],
  ['the ridge', 'slate', (c) => c.get('paper')],
  ['the waterline', 'stop', (c) => c.get('paper')],
  ['the focus of a field', 'slate', (c) => over(c.get('slate-soft'), c.get('paper'))],
  ['the focus of a field in a popup', 'slate', (c) => over(c.get('slate-soft'), c.get('raised'))],
  ['the dots under a field', 'muted', (c) => c.get('paper')],
  ['the room one is in, on the rail', 'rail-here', (c) => c.get('rail')],
];

for (const theme of ['paper', 'glare', 'ember'])
  describe(`the theme ${theme}`, () => {
    const of = colours(theme);
    for (const [what, mark, ground] of MARKS)
      it(`shows ${what} at 3:1`, () => {
        expect(contrast(of.get(mark), ground(of))).toBeGreaterThanOrEqual(LEAST);
      });
  });

describe('contrast', () => {
  it('is 21 of black on white, and 1 of anything on itself', () => {
    expect(contrast(rgba('#000000'), rgba('#ffffff'))).toBeCloseTo(21, 9);
    expect(contrast(rgba('#2f5d7c'), rgba('#2f5d7c'))).toBe(1);
  });
});
