import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { FieldCard } from '@knapsack/contract/card';
import pdfmake from 'pdfmake';
import { CARD_FONT, cardSheet, type Paper } from './card-sheet.js';
import { teachTags } from './tagged-pdf.js';

const fontFolder = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource/atkinson-hyperlegible-next/package.json')),
  'files',
);
const fontFile = (weight: 400 | 700, style: 'normal' | 'italic') =>
  join(fontFolder, `atkinson-hyperlegible-next-latin-${weight}-${style}.woff`);

pdfmake.setFonts({
  [CARD_FONT]: {
    normal: fontFile(400, 'normal'),
    bold: fontFile(700, 'normal'),
    italics: fontFile(400, 'italic'),
    bolditalics: fontFile(700, 'italic'),
  },
});
teachTags();
// Nothing but the fonts is read, and nothing is fetched.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fontFolder));

/** Sizes that are tried until everything stands on one page, the largest first. */
const SHRINKS = [1, 0.93, 0.86, 0.8, 0.74, 0.68];

/** A field card as a PDF of one page. */
export async function cardPdf(card: FieldCard, paper: Paper): Promise<Buffer> {
  let made: Buffer = Buffer.alloc(0);
  for (const shrink of SHRINKS) {
    made = await pdfmake.createPdf(cardSheet(card, paper, shrink)).getBuffer();
    if (pagesOf(made) === 1) break;
  }
  return made;
}

/** Pages of a PDF: each has an object of its own. */
export const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
