import { fail, HOUR_MS, sayDate, sayTime, succeed, type Result } from '@knapsack/core';
import { MOST_LOG_ENTRIES, type LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { entriesOfDays, isControllerDays, readControllerDays } from './controller-days.js';
import { entriesOfLinesFile, readLinesFile } from './lines-file.js';

/** What a file that an instrument recorded comes to in a log. */
export interface RecordTaken {
  readonly entries: readonly LogEntry[];
  /** What was left out or assumed, in sentences. */
  readonly notes: readonly string[];
}

/** Instruments are switched on before an outing, and off after it. */
const EITHER_SIDE_MS = 24 * HOUR_MS;

/**
 * What a file of an instrument comes to in the log of an outing: lines that it sent, or the days that a charge controller remembers. Taken
 * in twice it does no harm.
 *
 * @param nowMs when it was read off, UTC epoch ms
 */
export function entriesOfRecord(text: string, trip: Trip, nowMs: number): Result<RecordTaken> {
  if (isControllerDays(text)) {
    const days = readControllerDays(text);
    if (!days.ok) return days;
    const entries = entriesOfDays(days.value, trip, nowMs);
    return entries.length > 0
      ? succeed({ entries, notes: [] })
      : refuse('None of these days is a day of this outing. Nothing was taken in.');
  }
  const file = readLinesFile(text, nowMs);
  if (!file.ok) return file;
  const zone = trip.place.timeZone;
  const all = entriesOfLinesFile(file.value);
  const entries = all.filter(({ at }) => {
    const atMs = Date.parse(at);
    return atMs >= Date.parse(trip.start) - EITHER_SIDE_MS && atMs <= Date.parse(trip.end) + EITHER_SIDE_MS;
  });
  const { moments, saysWhen, unread } = file.value;
  const when = `from ${sayDate(moments[0].timeMs, zone)} to ${sayDate(moments.at(-1)!.timeMs, zone)}`;
  if (entries.length === 0) {
    return refuse(`These lines are ${when}, which is not this outing. Nothing was taken in.`);
  }
  if (entries.length > MOST_LOG_ENTRIES) {
    return refuse(
      `These lines would be ${entries.length} entries; a log holds ${MOST_LOG_ENTRIES}. Nothing was taken in.`,
    );
  }
  const left = all.length - entries.length;
  return succeed({
    entries,
    notes: [
      ...(saysWhen
        ? []
        : [
            `The file does not say when it begins: its last line was taken to be of ${sayTime(nowMs, zone)}.`,
          ]),
      ...(left > 0 ? [`${left} entries of another time were left out.`] : []),
      ...(unread > 0 ? [`${unread} lines could not be read.`] : []),
    ],
  });
}

const refuse = (sentence: string): Result<never> => fail({ code: 'record', sentence });
