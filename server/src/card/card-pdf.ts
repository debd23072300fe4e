import type { FieldCard } from '@knapsack/contract/card';
import pdfmake from 'pdfmake';
import { CARD_STYLES, teachFonts } from './card-fonts.js';
import { CARD_FONT, cardSheet, type Paper } from './card-sheet.js';
import { teachTags } from './tagged-pdf.js';

pdfmake.setFonts({
  [CARD_FONT]: Object.fromEntries(CARD_STYLES.map((style) => [style, style])),
});
teachFonts();
teachTags();
// Nothing is read but the styles, which are no files; nothing is fetched.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((name) => (CARD_STYLES as readonly string[]).includes(name));

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
