import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { BLANK_LINES, type FieldCard } from '@knapsack/contract/card';
import { svgOf } from '@knapsack/contract/harness';
import pdfmake from 'pdfmake';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js';

export const PAPERS = ['A5', 'A4'] as const;
export type Paper = (typeof PAPERS)[number];

/** Family of the card's words, and of those in its wiring. */
const CARD_FONT = 'Atkinson';

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
// Nothing but the fonts is read, and nothing is fetched.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fontFolder));

/** Sizes that are tried until everything stands on one page, the largest first. */
const SHRINKS = [1, 0.93, 0.86, 0.8, 0.74, 0.68];
/** Points across the paper, less the margins below. */
const WIDTH = { A4: 595.28, A5: 419.53 } as const;
const MARGIN = { A4: 30, A5: 20 } as const;

/** A field card as a PDF of one page. */
export async function cardPdf(card: FieldCard, paper: Paper): Promise<Buffer> {
  let made: Buffer = Buffer.alloc(0);
  for (const shrink of SHRINKS) {
    made = await pdfmake.createPdf(definition(card, paper, shrink)).getBuffer();
    if (pagesOf(made) === 1) break;
  }
  return made;
}

/** Pages of a PDF: each has an object of its own. */
export const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

/** A line to write on has three fields. */
const BLANK = [' ', ' ', ' '];
const INK = '#22302e';
const MUTED = '#566360';
const HAIRLINE = '#b9b3a2';

function definition(card: FieldCard, paper: Paper, shrink: number): TDocumentDefinitions {
  const unit = (paper === 'A4' ? 1 : 0.76) * shrink;
  const inner = WIDTH[paper] - 2 * MARGIN[paper];
  const gap = 8 * unit;
  const section = (title: string, body: Content): Content[] => [
    { text: title, bold: true, margin: [0, gap, 0, 2 * unit] },
    body,
  ];
  const table = (
    widths: (string | number)[],
    rows: readonly TableCell[][],
    head?: readonly string[],
  ): Content => ({
    table: {
      widths,
      headerRows: head ? 1 : 0,
      body: [
        ...(head ? [head.map((text): TableCell => ({ text, color: MUTED, fontSize: 8 * unit }))] : []),
        ...rows,
      ],
    },
    layout: {
      hLineWidth: () => 0.4,
      vLineWidth: () => 0,
      hLineColor: () => HAIRLINE,
      paddingLeft: () => 0,
      paddingRight: () => 5 * unit,
      paddingTop: () => 1.2 * unit,
      paddingBottom: () => 1.2 * unit,
    },
  });
  const left: Content[] = [
    ...(card.schedule.length > 0
      ? section(
          'Hours',
          table(
            ['auto', 'auto', '*'],
            card.schedule.map(([when, what, how]) => [when, { text: what, noWrap: true }, how]),
          ),
        )
      : []),
    ...section(
      'Frequencies',
      table(
        ['*', '*', '*'],
        Array.from({ length: BLANK_LINES }, () => BLANK.map((text) => ({ text, margin: [0, 3 * unit] }))),
        ['band', 'frequency', 'what, when'],
      ),
    ),
  ];
  const right: Content[] = [
    ...(card.volts.length > 0
      ? section(
          'Volts and charge',
          table(
            ['auto', 'auto', 'auto', 'auto', '*'],
            card.volts.map(({ charge, rest, listening, keyDown, left: hours, isFloor }) => [
              { text: charge, bold: true },
              rest,
              listening,
              keyDown,
              isFloor ? { text: 'the reserve', bold: true } : hours,
            ]),
            ['charge', 'at rest', 'listening', 'key down', 'hours left'],
          ),
        )
      : []),
    { text: card.voltsNote, color: MUTED, fontSize: 8 * unit, margin: [0, 2 * unit, 0, 0] },
    ...(card.fuses.length > 0
      ? section(
          'Fuses',
          table(
            ['*', 'auto'],
            card.fuses.map(([run, fuse]) => [run, { text: fuse, bold: true }]),
          ),
        )
      : []),
  ];
  return {
    pageSize: paper,
    pageMargins: MARGIN[paper],
    info: { title: `${card.name}, field card`, creator: 'Knapsack', producer: 'Knapsack' },
    defaultStyle: { font: CARD_FONT, fontSize: 9.5 * unit, color: INK, lineHeight: 1.08 },
    content: [
      { text: card.name, bold: true, fontSize: 17 * unit },
      { text: card.where },
      { text: card.when },
      {
        text: [
          ...card.stops.map(
            (stop) => `Stop: ${stop}
`,
          ),
          card.verdict,
        ],
        bold: true,
        margin: [0, 3 * unit, 0, 0],
      },
      ...(card.warnings.length > 0
        ? [
            {
              ul: card.warnings.map((warning) => `Warning: ${warning}`),
              fontSize: 8.5 * unit,
              margin: [0, 2 * unit, 0, 0],
            } as Content,
          ]
        : []),
      {
        columns: [
          { stack: left, width: '*' },
          { stack: right, width: '*' },
        ],
        columnGap: 16 * unit,
      },
      ...(card.ration.length > 0
        ? section(
            'The ration: by the hour and the charge, the power and the share on transmit',
            table(
              ['auto', '*'],
              card.ration.map((row) => [...row]),
            ),
          )
        : []),
      ...section('Wiring', {
        svg: svgOf(card.wiring, `Wiring of ${card.name}`, CARD_FONT),
        fit: [inner, (paper === 'A4' ? 190 : 130) * shrink],
      }),
      {
        text: [{ text: 'Connect: ', bold: true }, card.joining],
        color: MUTED,
        fontSize: 8 * unit,
        margin: [0, gap / 2, 0, 0],
      },
      { text: [{ text: 'Disconnect: ', bold: true }, card.parting], color: MUTED, fontSize: 8 * unit },
      ...section('Take care', {
        text: [
          ...card.cautions,
          'What stands here does not replace the makers’ instructions, local electrical codes or licensed practice.',
        ].join(' '),
        fontSize: 8.5 * unit,
      }),
      { text: `In the bag: ${card.kit}.`, color: MUTED, fontSize: 8 * unit, margin: [0, gap / 2, 0, 0] },
    ],
  };
}
