import { parse } from 'csv-parse/browser/esm/sync';
import { stringify } from 'csv-stringify/browser/esm/sync';
import { fromLocalField } from '@knapsack/core';
import { defused } from '../fields/csv-cell.js';

/** Rows that are told by name when they are left out. */
const MOST_TOLD = 5;

/** What the cells of a table are divided by, from its first line: a semicolon, a tab or else a comma. */
export const delimiterOf = (heading: string): string =>
  [';', '\t', ','].find((sign) => heading.includes(sign)) ?? ',';

/** A number of a cell: where a comma divides no cells it stands for the point. */
export const cellNumber = (cell: string, delimiter: string): number =>
  cell.trim() === '' ? NaN : Number(delimiter === ',' ? cell : cell.replace(',', '.'));

/**
 * A time of a cell, UTC epoch ms; NaN where it is none.
 *
 * @param zone time zone of times that are written without an offset
 */
export const cellInstant = (cell: string, zone: string): number =>
  /[zZ]$|[+-]\d{2}:?\d{2}$/.test(cell)
    ? Date.parse(cell.replace(' ', 'T'))
    : (fromLocalField(cell.replace(' ', 'T'), zone) ?? NaN);

/**
 * The rows of a table as they stand, spaces around cells off, empty rows left out. Source: RFC 4180, read tolerantly.
 *
 * @param most rows that are read at the most
 * @throws Error where quotes do not close, unless loose
 */
export const csvRows = (
  text: string,
  delimiter: string,
  { most, loose = false }: { readonly most?: number; readonly loose?: boolean } = {},
): string[][] =>
  parse(text, {
    delimiter,
    relaxColumnCount: true,
    relaxQuotes: loose,
    skipEmptyLines: true,
    trim: true,
    ...(most !== undefined && { to: most }),
  });

/** "row 2: why; row 5: why and 3 more". */
export function someOf(bad: readonly string[]): string {
  const more = bad.length > MOST_TOLD ? ` and ${bad.length - MOST_TOLD} more` : '';
  return `${bad.slice(0, MOST_TOLD).join('; ')}${more}`;
}

/** A table as text (RFC 4180) under its headings; what a spreadsheet would take for a formula is defused. */
export const csvOf = (
  headings: readonly string[],
  rows: readonly (readonly (string | number | boolean | null | undefined)[])[],
): string =>
  stringify(
    [headings, ...rows].map((row) =>
      row.map((cell) => (typeof cell === 'string' ? defused(cell) : (cell ?? '')).toString()),
    ),
  );
