import {
  fail,
  midnightAfter,
  MINUTE_MS,
  readInstrumentLine,
  succeed,
  toLocalField,
  type PlayedLine,
  type Result,
} from '@knapsack/core';
import type { LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { cellNumber, csvOf, csvRows, delimiterOf } from '../formats/csv.js';

/** A day as a charge controller remembers it. */
export interface ControllerDay {
  /** By the clock of the place, YYYY-MM-DD. */
  readonly day: string;
  /** Into the battery that day. */
  readonly inAh: number;
  /** The panel's largest. */
  readonly peakW: number;
  /** Of the battery. */
  readonly lowV: number;
  readonly highV: number;
}

/** A controller remembers so many days. */
export const CONTROLLER_DAYS = 30;
const HEADINGS = ['day', 'Ah in', 'peak W', 'lowest V', 'highest V'] as const;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

const dayOf = (timeMs: number, zone: string): string => toLocalField(timeMs, zone).slice(0, 10);

/** What a controller remembers of the lines that it sent, the last thirty days. */
export function daysOfLines(lines: readonly PlayedLine[], zone: string): readonly ControllerDay[] {
  const days = new Map<string, ControllerDay>();
  let lastAh = 0;
  for (const { timeMs, line } of lines) {
    const read = readInstrumentLine(line);
    if (read?.source !== 'controller') continue;
    const day = dayOf(timeMs, zone);
    const before = days.get(day);
    const inAh = (before?.inAh ?? 0) + Math.max(0, read.inAh - lastAh);
    lastAh = read.inAh;
    days.set(day, {
      ...{ day, inAh },
      peakW: Math.max(before?.peakW ?? 0, read.panelV * read.panelA),
      lowV: Math.min(before?.lowV ?? Infinity, read.batteryV),
      highV: Math.max(before?.highV ?? 0, read.batteryV),
    });
  }
  return [...days.values()].slice(-CONTROLLER_DAYS);
}

/** Its days as a file. Source: convention of this project, docs/formats.md. */
export const controllerDaysCsv = (days: readonly ControllerDay[]): string =>
  csvOf(
    HEADINGS,
    days.map(({ day, inAh, peakW, lowV, highV }) => [
      day,
      ...[inAh.toFixed(2), peakW.toFixed(0), lowV.toFixed(2), highV.toFixed(2)],
    ]),
  );

/** Whether a file is of a controller's days: it begins with their headings. */
export const isControllerDays = (text: string): boolean =>
  /^\uFEFF?\s*"?day"?\s*[,;\t]\s*"?Ah in\b/i.test(text);

/** Reads the days of a controller; every row counts, or the file is refused. */
export function readControllerDays(text: string): Result<readonly ControllerDay[]> {
  const delimiter = delimiterOf(text.slice(0, 200).split('\n')[0]);
  let rows: string[][];
  try {
    rows = csvRows(text.replace(/^\uFEFF/, ''), delimiter, { most: CONTROLLER_DAYS + 2 }).slice(1);
  } catch {
    return refuse('This file is no table: a quote in it does not close. Nothing was taken.');
  }
  if (rows.length > CONTROLLER_DAYS) {
    return refuse(`A controller remembers ${CONTROLLER_DAYS} days; this file has more. Nothing was taken.`);
  }
  const days: ControllerDay[] = [];
  for (const [place, cells] of rows.entries()) {
    const [day = ''] = cells;
    const [inAh, peakW, lowV, highV] = [1, 2, 3, 4].map((cell) => cellNumber(cells[cell] ?? '', delimiter));
    const isDay = DAY.test(day) && !Number.isNaN(Date.parse(day));
    const isRead = [inAh, peakW, lowV, highV].every((value) => value >= 0 && value < 100_000);
    if (!isDay || !isRead) {
      return refuse(
        `Row ${place + 2} of this file is no day of a controller: “2027-09-04, 5.20, 31, 12.90, 14.20” would be. Nothing was taken.`,
      );
    }
    days.push({ day, inAh, peakW, lowV, highV });
  }
  return days.length > 0 ? succeed(days) : refuse('There is no day in this file. Nothing was taken.');
}

/**
 * What a controller's days come to in a log: of each day of the outing up to now its counter begins at midnight, on the first at the
 * start, and ends with the day, today with now.
 *
 * @param nowMs when it was read off, UTC epoch ms
 */
export function entriesOfDays(
  days: readonly ControllerDay[],
  { start, end, place: { timeZone: zone } }: Pick<Trip, 'start' | 'end' | 'place'>,
  nowMs: number,
): readonly LogEntry[] {
  const [startMs, endMs] = [Date.parse(start), Math.min(Date.parse(end), nowMs)];
  const byDay = new Map(days.map((one) => [one.day, one]));
  const entries: LogEntry[] = [];
  for (let fromMs = startMs; fromMs < endMs; fromMs = midnightAfter(fromMs, zone)) {
    const day = byDay.get(dayOf(fromMs, zone));
    if (!day) continue;
    const untilMs = Math.min(midnightAfter(fromMs, zone) - MINUTE_MS, endMs);
    const head = (what: string, timeMs: number) => ({
      id: `controller-day-${day.day}-${what}`,
      at: new Date(timeMs).toISOString(),
      source: 'controller' as const,
    });
    entries.push(
      { ...head('begins', fromMs), kind: 'reset' },
      { ...head(String(Math.round(100 * day.inAh)), untilMs), kind: 'reading', inAh: day.inAh },
    );
  }
  return entries;
}

const refuse = (sentence: string): Result<never> => fail({ code: 'controller-days', sentence });
