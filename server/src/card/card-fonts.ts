import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { methodOf, partOf } from './pdfmake-parts.js';
import { expandWoff } from './woff.js';

const folder = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource/atkinson-hyperlegible-next/package.json')),
  'files',
);
const fileOf = (weight: 400 | 700, style: 'normal' | 'italic') =>
  join(folder, `atkinson-hyperlegible-next-latin-${weight}-${style}.woff`);

/** The files of the card's font by its style, in WOFF. */
export const FONT_FILES = {
  normal: fileOf(400, 'normal'),
  bold: fileOf(700, 'normal'),
  italics: fileOf(400, 'italic'),
  bolditalics: fileOf(700, 'italic'),
};

/** The style of a font stands for its file. */
type Style = keyof typeof FONT_FILES;
export const CARD_STYLES = Object.keys(FONT_FILES) as readonly Style[];

/** Of pdfkit's document, what is used here. */
interface FontTaker {
  registerFont(name: string, font: Buffer): void;
}

/**
 * Has pdfmake take the card's fonts by their style, as they are when they are not compressed: of a compressed one it inflates a
 * table again for each glyph, two thirds of the time that a card takes. Once for the process.
 */
export function teachFonts(): void {
  const fonts = new Map(CARD_STYLES.map((style) => [style, expandWoff(readFileSync(FONT_FILES[style]))]));
  const pdf = partOf('PDFDocument');
  const styleOf = methodOf<(this: FontTaker, ...asked: unknown[]) => Style | null>(pdf, 'getFontFile');
  pdf['getFontFile'] = function (this: FontTaker, ...asked: unknown[]): Style | null {
    const style = styleOf.apply(this, asked);
    if (style !== null) this.registerFont(style, fonts.get(style)!);
    return style;
  };
}
