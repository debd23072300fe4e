import { BLANK_LINES, type FieldCard } from '@knapsack/contract/card';
import { svgOf } from '@knapsack/contract/harness';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { tagged, type Tag } from './tagged-pdf.js';

export const PAPERS = ['A5', 'A4'] as const;
export type Paper = (typeof PAPERS)[number];

/** Family of the card's words, and of those in its wiring. */
export const CARD_FONT = 'Atkinson';

/** Points across the paper, less the margins below. */
const WIDTH = { A4: 595.28, A5: 419.53 } as const;
const MARGIN = { A4: 30, A5: 20 } as const;
const WIRING_HEIGHT = { A4: 190, A5: 130 } as const;

/** A line to write on has three fields. */
const BLANK = [' ', ' ', ' '];
const INK = '#22302e';
const MUTED = '#566360';
const HAIRLINE = '#b9b3a2';

/** A field card laid out on a paper; everything is as small as told, 1 for its full size. */
export function cardSheet(card: FieldCard, paper: Paper, shrink: number): TDocumentDefinitions {
  const unit = (paper === 'A4' ? 1 : 0.76) * shrink;
  return {
    pageSize: paper,
    pageMargins: MARGIN[paper],
    version: '1.7',
    tagged: true,
    language: 'en',
    displayTitle: true,
    info: { title: `${card.name}, field card`, creator: 'Knapsack', producer: 'Knapsack' },
    defaultStyle: { font: CARD_FONT, fontSize: 9.5 * unit, color: INK, lineHeight: 1.08 },
    content: [
      ...heading(card, unit),
      {
        columns: [
          { stack: [...hours(card, unit), ...frequencies(unit)], width: '*' },
          { stack: [...volts(card, unit), ...fuses(card, unit)], width: '*' },
        ],
        columnGap: 16 * unit,
      },
      ...ration(card, unit),
      ...section(
        unit,
        'Wiring',
        tagged(
          {
            svg: svgOf(card.wiring, `Wiring of ${card.name}`, CARD_FONT),
            fit: [WIDTH[paper] - 2 * MARGIN[paper], WIRING_HEIGHT[paper] * shrink],
          },
          { name: 'Figure', alt: `Wiring of ${card.name}. Connect: ${card.joining}` },
        ),
      ),
      ...care(card, unit),
    ],
  };
}

/** Name, place and hours; what says stop, the verdict and the warnings. */
function heading(card: FieldCard, unit: number): Content[] {
  const list: Tag = { name: 'L' };
  const warnings: Content[] =
    card.warnings.length === 0
      ? []
      : [
          {
            ul: card.warnings.map((warning) => tagged({ text: `Warning: ${warning}` }, list, { name: 'LI' })),
            fontSize: 8.5 * unit,
            margin: [0, 2 * unit, 0, 0],
          },
        ];
  return [
    tagged({ text: card.name, bold: true, fontSize: 17 * unit }, { name: 'H1' }),
    paragraph({ text: card.where }),
    paragraph({ text: card.when }),
    paragraph({
      text: [...card.stops.map((stop) => `Stop: ${stop}\n`), card.verdict],
      bold: true,
      margin: [0, 3 * unit, 0, 0],
    }),
    ...warnings,
  ];
}

function hours({ schedule }: FieldCard, unit: number): Content[] {
  if (schedule.length === 0) return [];
  const rows = schedule.map(([when, what, how]) => [when, { text: what, noWrap: true }, how]);
  return section(unit, 'Hours', table(unit, ['auto', 'auto', '*'], rows));
}

function frequencies(unit: number): Content[] {
  const rows = Array.from({ length: BLANK_LINES }, () =>
    BLANK.map((text): TableCell => ({ text, margin: [0, 3 * unit] })),
  );
  return section(
    unit,
    'Frequencies',
    table(unit, ['*', '*', '*'], rows, ['band', 'frequency', 'what, when']),
  );
}

function volts(card: FieldCard, unit: number): Content[] {
  const rows = card.volts.map(({ charge, rest, listening, keyDown, left, isReserve }) => [
    { text: charge, bold: true },
    ...[rest, listening, keyDown],
    isReserve ? { text: 'the reserve', bold: true } : left,
  ]);
  const widths = ['auto', 'auto', 'auto', 'auto', '*'];
  const head = ['charge', 'at rest', 'listening', 'key down', 'hours left'];
  return [
    ...(rows.length > 0 ? section(unit, 'Volts and charge', table(unit, widths, rows, head)) : []),
    paragraph({ text: card.voltsNote, color: MUTED, fontSize: 8 * unit, margin: [0, 2 * unit, 0, 0] }),
  ];
}

function fuses(card: FieldCard, unit: number): Content[] {
  if (card.fuses.length === 0) return [];
  const rows = card.fuses.map(([run, fuse]) => [run, { text: fuse, bold: true }]);
  return section(unit, 'Fuses', table(unit, ['*', 'auto'], rows));
}

function ration(card: FieldCard, unit: number): Content[] {
  if (card.ration.length === 0) return [];
  const title = 'Ration: power and transmit duty cycle by hour and state of charge';
  const rows = card.ration.map((row) => [...row]);
  return section(unit, title, table(unit, ['auto', '*'], rows));
}

/** In which order things are joined and parted, the cautions, and what is in the bag. */
function care(card: FieldCard, unit: number): Content[] {
  const small = { color: MUTED, fontSize: 8 * unit };
  const gap = 4 * unit;
  return [
    paragraph({ text: [{ text: 'Connect: ', bold: true }, card.joining], ...small, margin: [0, gap, 0, 0] }),
    paragraph({ text: [{ text: 'Disconnect: ', bold: true }, card.parting], ...small }),
    ...section(
      unit,
      'Take care',
      paragraph({
        text: [
          ...card.cautions,
          'What stands here does not replace the makers’ instructions, local electrical codes or licensed practice.',
        ].join(' '),
        fontSize: 8.5 * unit,
      }),
    ),
    paragraph({ text: `In the bag: ${card.kit}.`, ...small, margin: [0, gap, 0, 0] }),
  ];
}

/** A paragraph of its own. */
const paragraph = (content: Content): Content => tagged(content, { name: 'P' });

const section = (unit: number, title: string, body: Content): Content[] => [
  tagged({ text: title, bold: true, margin: [0, 8 * unit, 0, 2 * unit] }, { name: 'H2' }),
  body,
];

/** Rows between hairlines, with the names of the columns over them where there are any. */
function table(
  unit: number,
  widths: (string | number)[],
  rows: readonly TableCell[][],
  head?: readonly string[],
): Content {
  const whole: Tag = { name: 'Table' };
  const cells = (name: 'TH' | 'TD', row: readonly TableCell[]): TableCell[] => {
    const line: Tag = { name: 'TR' };
    return row.map((cell) =>
      tagged((typeof cell === 'object' ? cell : { text: String(cell) }) as Content, whole, line, { name }),
    );
  };
  const names =
    head &&
    cells(
      'TH',
      head.map((text) => ({ text, color: MUTED, fontSize: 8 * unit })),
    );
  return {
    table: {
      widths,
      headerRows: names ? 1 : 0,
      body: [...(names ? [names] : []), ...rows.map((row) => cells('TD', row))],
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
  };
}
