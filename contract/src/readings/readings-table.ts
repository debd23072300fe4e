import { fail, Recording, succeed, type Readings, type Result } from '@knapsack/core';
import { cellInstant, cellNumber, csvRows, delimiterOf } from '../formats/csv.js';

/** What a column of a table of readings holds, and what its numbers are multiplied with to be ms, V or A. */
interface Column {
  readonly holds: 'time' | 'volts' | 'amps';
  readonly times: number;
}

const column = (holds: Column['holds'], times = 1): Column => ({ holds, times });

/** Headings, letters, digits and units only; the first that fits counts. Times are seconds unless the heading says otherwise. */
const HEADINGS: readonly (readonly [RegExp, Column])[] = [
  [/^(time|t|elapsed|timestamp|date|datetime|uptime)?\W*(ms|milliseconds)$/, column('time', 1)],
  [/^(time|t|elapsed|timestamp|date|datetime|uptime)\W*(min|minutes)$/, column('time', 60_000)],
  [/^(time|t|elapsed|timestamp|date|datetime|uptime)/, column('time', 1000)],
  [/^(s|sec|seconds)$/, column('time', 1000)],
  [/^(volt|bus|battery|u\b|v\b).*\bmv$/, column('volts', 0.001)],
  [/^mv$/, column('volts', 0.001)],
  [/^(volt|bus|battery v|u$|v$|v\W)/, column('volts')],
  [/^(amp|current|i\b|a\b).*\bma$/, column('amps', 0.001)],
  [/^ma$/, column('amps', 0.001)],
  [/^(amp|current|battery (current|amp)|i$|a$|a\W|i\W)/, column('amps')],
];

const MOST_TOLD = 5;

/** Which column of a file holds what, by its place from 0, as a person said it; times are in the unit of the heading or said too. */
export interface AssignedColumns {
  readonly time: number;
  /** What a number of the time column is multiplied with to be ms. */
  readonly timeMs: number;
  readonly volts: number;
  readonly amps: number;
}

/** The headings of a table as they are written, and the columns that can be understood by themselves. */
export interface Headings {
  readonly words: readonly string[];
  /** Place of the column, from 0; -1 where none is understood to hold it. */
  readonly found: Readonly<Record<Column['holds'], number>>;
}

/** Most columns that are offered; a file of readings has a handful. */
const MOST_COLUMNS = 40;

export function headingsOf(heading: string): Headings {
  const words = heading
    .replace(/^\uFEFF/, '')
    .split(delimiterOf(heading))
    .slice(0, MOST_COLUMNS)
    .map((word) => word.replaceAll('"', '').trim().slice(0, 60));
  const columns = words.map(meaningOf);
  const where = (holds: Column['holds']) => columns.findIndex((one) => one?.holds === holds);
  return { words, found: { time: where('time'), volts: where('volts'), amps: where('amps') } };
}

/** 0.001 for a heading in thousandths, as "Battery current [mA]"; else 1. */
const thousandths = (heading: string): number =>
  /(^|[\s([_])m[va][\])]?$/i.test(heading.trim()) ? 0.001 : 1;

/**
 * Reads a table of a meter's readings chunk by chunk, as a large file comes: time, volts and amps in any order, units by
 * the headings, comma, semicolon or tab between. Bad rows are left out and counted, the first of them told.
 */
export class ReadingsTable {
  private readonly read = new Recording();
  private rows = 0;
  private bad = 0;
  private readonly told: string[] = [];

  private constructor(
    private readonly delimiter: string,
    private readonly at: Readonly<Record<Column['holds'], number>>,
    private readonly factors: Readonly<Record<Column['holds'], number>>,
    private readonly zone: string,
  ) {}

  /**
   * A table by its first line.
   *
   * @param zone time zone of times that are written without an offset
   * @param assigned columns as a person said them, where the headings alone do not tell
   * @returns a sentence where a time, volts and amps are not all among the headings
   */
  static begin(heading: string, zone: string, assigned?: AssignedColumns): Result<ReadingsTable> {
    const delimiter = delimiterOf(heading);
    const { words, found: at } = headingsOf(heading);
    if (assigned) return ReadingsTable.assigned(delimiter, words, zone, assigned);
    const columns = words.map(meaningOf);
    const missing = (['time', 'volts', 'amps'] as const).filter((holds) => at[holds] === -1);
    if (missing.length > 0) {
      return fail({
        code: 'no-columns',
        sentence: `A table of readings needs headings in its first row for time, volts and amps; ${missing.join(' and ')} cannot be found among “${heading.slice(0, 80).trim()}”.`,
      });
    }
    const times = (holds: Column['holds']) => columns[at[holds]]!.times;
    return succeed(
      new ReadingsTable(
        delimiter,
        at,
        { time: times('time'), volts: times('volts'), amps: times('amps') },
        zone,
      ),
    );
  }

  private static assigned(
    delimiter: string,
    words: readonly string[],
    zone: string,
    { time, timeMs, volts, amps }: AssignedColumns,
  ): Result<ReadingsTable> {
    const places = [time, volts, amps];
    if (places.some((place) => !(place >= 0 && place < words.length)) || new Set(places).size < 3) {
      return fail({
        code: 'columns',
        sentence: 'Time, volts and amps must be three different columns of the file.',
      });
    }
    const factors = { time: timeMs, volts: thousandths(words[volts]), amps: thousandths(words[amps]) };
    return succeed(new ReadingsTable(delimiter, { time, volts, amps }, factors, zone));
  }

  /** Reads whole lines. */
  take(lines: string): void {
    for (const row of csvRows(lines, this.delimiter, { loose: true })) this.takeRow(row);
  }

  /** What was read, in order of time, and sentences about what was not. */
  finish(): { readings: Readings; notes: readonly string[] } {
    const notes: string[] = [];
    if (this.bad > 0) {
      const more = this.bad > MOST_TOLD ? ` and ${this.bad - MOST_TOLD} more` : '';
      notes.push(`Left out of ${this.rows} rows: ${this.told.join('; ')}${more}.`);
    }
    // A copy of its own, which a worker can hand over.
    const read = this.read.readings();
    const readings = inOrder({
      timesMs: read.timesMs.slice(),
      volts: read.volts.slice(),
      amps: read.amps.slice(),
    });
    const twice = read.timesMs.length - readings.timesMs.length;
    if (twice > 0) {
      notes.push(
        `${twice} of the rows ${twice === 1 ? 'has' : 'have'} the time of another; one row of each time was kept.`,
      );
    }
    return { readings, notes };
  }

  private takeRow(row: readonly string[]): void {
    this.rows += 1;
    const time = this.timeOf(row[this.at.time] ?? '');
    const volts = this.numberOf(row[this.at.volts]) * this.factors.volts;
    const amps = this.numberOf(row[this.at.amps]) * this.factors.amps;
    if (!Number.isFinite(time) || !Number.isFinite(volts) || !Number.isFinite(amps)) {
      this.bad += 1;
      // Its number in the file, the headings counted.
      if (this.told.length < MOST_TOLD)
        this.told.push(`row ${this.rows + 1} (${row.join(' ').slice(0, 40)})`);
      return;
    }
    this.read.append({ timeMs: time, volts, amps });
  }

  private numberOf(cell = ''): number {
    return cellNumber(cell, this.delimiter);
  }

  /** ms: a number by its heading's unit, hours as "1:02:03", or an instant. */
  private timeOf(cell: string): number {
    const number = this.numberOf(cell);
    if (Number.isFinite(number)) return number * this.factors.time;
    const clock = /^(\d+):(\d{2}):(\d{2}(?:[.,]\d+)?)$/.exec(cell);
    if (clock) {
      const seconds = Number(clock[3].replace(',', '.'));
      return ((Number(clock[1]) * 60 + Number(clock[2])) * 60 + seconds) * 1000;
    }
    if (!/^\d{4}-\d{2}-\d{2}/.test(cell)) return NaN;
    return cellInstant(cell, this.zone);
  }
}

/** Readings in order of time; of those of one instant only one, for a meter reads once at a time. */
function inOrder(readings: Readings): Readings {
  const { timesMs, volts, amps } = readings;
  if (timesMs.every((time, index) => index === 0 || time > timesMs[index - 1])) return readings;
  const order = Array.from(timesMs.keys())
    .sort((a, b) => timesMs[a] - timesMs[b])
    .filter((index, at, all) => at === 0 || timesMs[index] > timesMs[all[at - 1]]);
  const pick = (values: Float64Array) => Float64Array.from(order, (index) => values[index]);
  return { timesMs: pick(timesMs), volts: pick(volts), amps: pick(amps) };
}

function meaningOf(heading: string): Column | null {
  const bare = heading
    .toLowerCase()
    .replaceAll(/["()[\]]/g, ' ')
    .replaceAll(/[_\s]+/g, ' ')
    .trim();
  return HEADINGS.find(([pattern]) => pattern.test(bare))?.[1] ?? null;
}
