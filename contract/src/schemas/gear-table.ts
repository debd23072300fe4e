import { fail, succeed, type Result } from '@knapsack/core';
import { undefused } from '../fields/csv-cell.js';
import { csvOf, csvRows, delimiterOf, someOf } from '../formats/csv.js';
import { GEAR_SCHEMA, GEAR_VERSION, type Gear } from '../documents/gear.js';
import { SHELF_SCHEMA } from '../documents/shelf.js';
import { readGear, readShelf } from './read.js';

/** A heading of a figure's source: "receiveA source" beside "receiveA". */
const SOURCE = ' source';
const FIRST = ['kind', 'id', 'name', 'about'];

/** Gear as a table: a column for each field, figures with a column for their source, lists and the like as JSON. A figure's history stays out. */
export function gearTable(gear: readonly Gear[]): string {
  const rows = gear.map((item) => {
    const { schema, version, ...fields } = item;
    const row: Record<string, string> = {};
    for (const [name, value] of Object.entries(fields)) {
      if (isFigure(value)) {
        row[name] = String(value.value);
        row[name + SOURCE] = String(value.source);
      } else row[name] = typeof value === 'object' ? JSON.stringify(value) : String(value);
    }
    return row;
  });
  const names = [...new Set(rows.flatMap((row) => Object.keys(row)))].sort();
  const columns = [...FIRST, ...names.filter((name) => !FIRST.includes(name))];
  return csvOf(
    columns,
    rows.map((row) => columns.map((name) => row[name])),
  );
}

/** What was read of a shelf file. */
export interface ShelfReading {
  readonly gear: readonly Gear[];
  /** Rows that could not be read, each in a sentence. */
  readonly notes: readonly string[];
}

/** Gear out of a file's text: a shelf document, or a table with headings as {@link gearTable} writes it. */
export function readShelfFile(content: string): Result<ShelfReading> {
  const bare = content.replace(/^\uFEFF/, '').trim();
  if (bare.startsWith('{')) {
    let data: unknown;
    try {
      data = JSON.parse(bare);
    } catch {
      return refuse('The file begins like JSON but cannot be read as such.');
    }
    const shelf = readShelf(data);
    return shelf.ok ? succeed({ gear: shelf.value.gear, notes: [] }) : shelf;
  }
  let table: string[][];
  try {
    table = csvRows(bare, delimiterOf(bare.split('\n', 1)[0]));
  } catch {
    return refuse(
      `The file is neither a shelf document ("schema": "${SHELF_SCHEMA}") nor a table with headings.`,
    );
  }
  const [headings = [], ...rows] = table;
  if (!headings.includes('kind') || !headings.includes('name')) {
    return refuse('A table of gear needs headings in its first row, among them kind and name.');
  }
  const gear: Gear[] = [];
  const wrong: string[] = [];
  rows.forEach((cells, index) => {
    const row = Object.fromEntries(headings.map((name, at) => [name, undefused(cells[at] ?? '')]));
    const read = readGear(fromRow(row, index));
    if (read.ok) gear.push(read.value);
    else wrong.push(`row ${index + 2}: ${read.problems[0].sentence}`);
  });
  return succeed({
    gear,
    notes: wrong.length > 0 ? [`Left out: ${someOf(wrong)}`] : [],
  });
}

function fromRow(row: Record<string, string>, index: number): Record<string, unknown> {
  const item: Record<string, unknown> = { schema: GEAR_SCHEMA, version: GEAR_VERSION };
  for (const [name, text] of Object.entries(row)) {
    if (name.endsWith(SOURCE) || text === '') continue;
    const source = row[name + SOURCE];
    item[name] = source ? { value: Number(text), source } : plainValue(name, text);
  }
  item['id'] ??= `read-${index + 1}`;
  return item;
}

const TEXTS = new Set([
  'kind',
  'id',
  'name',
  'about',
  'note',
  'chemistry',
  'technology',
  'type',
  'run',
  'via',
  'from',
]);

function plainValue(name: string, text: string): unknown {
  if (TEXTS.has(name)) return text;
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

const isFigure = (value: unknown): value is { value: number; source: string } =>
  typeof value === 'object' && value !== null && 'value' in value && 'source' in value;

const refuse = (sentence: string): Result<never> => fail({ code: 'shelf-file', sentence });
