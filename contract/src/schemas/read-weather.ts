import Joi from 'joi';
import {
  AIR_WORDS,
  CLIMATE_WORDS,
  fail,
  succeed,
  type AirWord,
  type Problem,
  type Result,
} from '@knapsack/core';
import type { WeatherHour } from '../documents/sun.js';
import {
  WEATHER_SCHEMA,
  WEATHER_VERSION,
  type WeatherDocument,
  type WeatherReading,
} from '../documents/weather.js';
import { FIELDS } from '../fields/fields.js';
import { cellInstant, cellNumber, csvRows, delimiterOf, someOf } from '../formats/csv.js';
import { numberProblem } from '../fields/number-field.js';
import { meaningOf, type ColumnMeaning } from '../weather/weather-columns.js';
import { maybeOneOf, oneOf, STRICT, text } from './joi.js';
import { weatherHour } from './trip-schema.js';

/** Most hours of a weather file: a year of them. */
const MOST_HOURS = 9000;

const weatherSchema = Joi.object({
  schema: Joi.string().valid(WEATHER_SCHEMA).required(),
  version: Joi.number().valid(WEATHER_VERSION).required(),
  name: text(120).optional(),
  source: oneOf(['forecast', 'simulated']),
  climate: maybeOneOf(CLIMATE_WORDS),
  air: maybeOneOf(Object.keys(AIR_WORDS)),
  hours: Joi.array().items(weatherHour).max(MOST_HOURS).required(),
});

/**
 * A weather document out of a file's text: JSON in the open format, or a table with headings and any separator.
 *
 * @param zone time zone of times that are written without an offset
 */
export function readWeather(content: string, zone: string): Result<WeatherReading> {
  const bare = content.replace(/^\uFEFF/, '').trim();
  if (bare === '') return refuse('empty', 'The file is empty.');
  return bare.startsWith('{') || bare.startsWith('[') ? readJson(bare) : readTable(bare, zone);
}

function readJson(content: string): Result<WeatherReading> {
  let data: unknown;
  try {
    data = JSON.parse(content);
  } catch {
    return refuse('not-json', 'The file begins like JSON but cannot be read as such.');
  }
  const head = data as { schema?: unknown; version?: unknown } | null;
  if (head?.schema !== WEATHER_SCHEMA) {
    return refuse('wrong-schema', `A weather document begins with "schema": "${WEATHER_SCHEMA}".`);
  }
  if (typeof head.version === 'number' && head.version > WEATHER_VERSION) {
    return refuse(
      'newer-version',
      `This weather document has version ${head.version}; this Knapsack reads up to version ${WEATHER_VERSION}.`,
    );
  }
  const { error } = weatherSchema.validate(data, STRICT);
  if (error) {
    return fail(
      ...error.details.map(({ path, message }): Problem => ({
        code: 'weather',
        pointer: path.map((part) => `/${part}`).join(''),
        sentence: message.endsWith('.') ? message : `${message}.`,
      })),
    );
  }
  const document = data as WeatherDocument;
  return succeed({ document: { ...document, hours: inOrder(document.hours) }, notes: [] });
}

function readTable(content: string, zone: string): Result<WeatherReading> {
  const [heading] = content.split(/\r?\n/, 1);
  const delimiter = delimiterOf(heading);
  let rows: string[][];
  try {
    rows = csvRows(content, delimiter, { most: MOST_HOURS + 2 });
  } catch {
    return refuse('not-a-table', 'The file is neither a weather document nor a table with headings.');
  }
  const columns = rows[0].map(meaningOf);
  const has = (column: string) => columns.some((meaning) => meaning?.column === column);
  if (!has('time') || !has('cloud')) {
    return refuse(
      'no-columns',
      'A weather table needs headings in its first row, among them a time and a cloud amount: time, cloud, rain, temperature, wind.',
    );
  }
  if (rows.length > MOST_HOURS + 1) {
    return refuse('too-long', `A weather table may hold ${MOST_HOURS} rows at the most.`);
  }
  const notes: string[] = [];
  const skipped = rows[0].filter((_, index) => columns[index] === null);
  if (skipped.length > 0) notes.push(`Not understood and left out: ${skipped.join(', ')}.`);
  const hours: WeatherHour[] = [];
  const bad: string[] = [];
  rows.slice(1).forEach((row, index) => {
    const hour = readRow(row, columns, delimiter, zone);
    if (typeof hour === 'string') bad.push(`row ${index + 2}: ${hour}`);
    else hours.push(hour);
  });
  if (hours.length === 0) {
    return refuse(
      'no-rows',
      `No row of the table could be read; ${bad[0] ?? 'it has none under its headings'}.`,
    );
  }
  if (bad.length > 0) notes.push(`Left out: ${someOf(bad)}.`);
  return succeed({
    document: { schema: WEATHER_SCHEMA, version: WEATHER_VERSION, source: 'forecast', hours: inOrder(hours) },
    notes,
  });
}

const YES = /^(yes|y|true|rain|x)$/i;
const NO = /^(no|n|false|dry|-)?$/i;

/** An hour out of a row, or what is wrong with it. */
function readRow(
  row: readonly string[],
  columns: readonly (ColumnMeaning | null)[],
  delimiter: string,
  zone: string,
): WeatherHour | string {
  const hour: { -readonly [Key in keyof WeatherHour]?: WeatherHour[Key] } = {};
  for (const [index, meaning] of columns.entries()) {
    const cell = row[index] ?? '';
    if (!meaning) continue;
    const { column, read } = meaning;
    if (column === 'time') {
      const timeMs = cellInstant(cell, zone);
      if (!Number.isFinite(timeMs)) return `“${cell}” is not a time like 2027-09-04T10:00`;
      hour.start = new Date(timeMs).toISOString();
    } else if (column === 'air') {
      const word = cell.toLowerCase();
      if (Object.hasOwn(AIR_WORDS, word)) hour.air = word as AirWord;
      else if (word !== '') return `“${cell}” is no word for the air (${Object.keys(AIR_WORDS).join(', ')})`;
    } else if (column === 'rain' && (YES.test(cell) || NO.test(cell))) {
      hour.rain = YES.test(cell);
    } else if (cell !== '') {
      const number = cellNumber(cell, delimiter);
      const value = read(number);
      const problem = column === 'rain' ? null : numberProblem(FIELDS[column], value);
      if (!Number.isFinite(number)) return `“${cell}” is not a number`;
      if (problem) return problem.replace(/\.$/, '');
      if (column === 'rain') hour.rain = value > 0;
      else hour[column] = value;
    }
  }
  const { start, cloud, ...rest } = hour;
  if (start === undefined) return 'no time';
  if (cloud === undefined) return 'no cloud amount';
  return { start, cloud, ...rest };
}

/** By time, each instant once: the last that is said of it counts. */
function inOrder(hours: readonly WeatherHour[]): WeatherHour[] {
  const byTime = new Map(hours.map((hour) => [Date.parse(hour.start), hour]));
  return [...byTime].sort(([a], [b]) => a - b).map(([, hour]) => hour);
}

const refuse = (code: string, sentence: string): Result<never> => fail({ code, sentence });
