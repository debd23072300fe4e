import {
  fail,
  HOUR_MS,
  MINUTE_MS,
  sayDate,
  sayDuration,
  succeed,
  type Readings,
  type Result,
} from '@knapsack/core';
import type { LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';

/** What a meter's table comes to in a log. */
export interface ReadingsTaken {
  readonly entries: readonly LogEntry[];
  readonly notes: readonly string[];
}

/** Entries of one table: more tell nothing new. */
const MOST_ENTRIES = 40;
const LEAST_APART_MS = 15 * MINUTE_MS;
/** Times before this count from a start of their own. */
const FIRST_INSTANT_MS = Date.UTC(2000, 0, 1);
/** A meter that missed so much has not counted the outing. */
const GAP_MS = HOUR_MS / 2;

/**
 * What a meter's table of amps comes to in the log of an outing: what it has counted, so often that it tells where the charge went. Times that
 * count from a start of their own begin with the outing. Taken in twice it does no harm. Over gaps of more than half an hour nothing is counted,
 * and that is said.
 *
 * @param readings in the order of time; current out of the battery in A
 */
export function entriesOfReadings(trip: Trip, { timesMs, amps }: Readings): Result<ReadingsTaken> {
  const [startMs, endMs] = [Date.parse(trip.start), Date.parse(trip.end)];
  if (timesMs.length < 2)
    return refuse('A table with less than two readings counts nothing. Nothing was taken in.');
  const isElapsed = timesMs[timesMs.length - 1] < FIRST_INSTANT_MS;
  const shiftMs = isElapsed ? startMs - timesMs[0] : 0;
  const at = (index: number) => timesMs[index] + shiftMs;
  const lastMs = at(timesMs.length - 1);
  if (lastMs <= startMs || at(0) >= endMs) {
    const when = `from ${sayDate(at(0), trip.place.timeZone)} to ${sayDate(lastMs, trip.place.timeZone)}`;
    return refuse(`These readings are ${when}, which is not this outing. Nothing was taken in.`);
  }
  const within = Array.from(timesMs.keys()).filter((index) => at(index) >= startMs && at(index) <= endMs);
  const [first, last] = [within[0], within[within.length - 1]];
  const everyMs = Math.max(LEAST_APART_MS, (at(last) - at(first)) / MOST_ENTRIES);
  const key = `${seconds(at(first))}-${seconds(at(last))}`;
  const entries: LogEntry[] = [
    // What the meter has counted before the outing is nothing of it.
    { id: `table-${key}-0`, at: iso(at(first)), kind: 'reset', source: 'meter' },
  ];
  let countedAh = 0;
  let gapsMs = 0;
  let nextMs = at(first) + everyMs;
  for (let index = first + 1; index <= last; index++) {
    const stepMs = timesMs[index] - timesMs[index - 1];
    if (stepMs > GAP_MS) gapsMs += stepMs;
    else countedAh += (((amps[index] + amps[index - 1]) / 2) * stepMs) / HOUR_MS;
    if (at(index) < nextMs && index < last) continue;
    nextMs = at(index) + everyMs;
    const outAh = Number(Math.max(0, countedAh).toFixed(4));
    entries.push({
      ...{ id: `table-${key}-${entries.length}`, at: iso(at(index)), kind: 'reading', source: 'meter' },
      outAh,
    });
  }
  const left = timesMs.length - within.length;
  return succeed({
    entries,
    notes: [
      ...(isElapsed
        ? ['The times of the file count from its own start: it was taken to begin with the outing.']
        : []),
      ...(left > 0 ? [`${left} readings before or after the outing were left out.`] : []),
      ...(gapsMs > 0
        ? [`The meter was silent for ${sayDuration(gapsMs / HOUR_MS)} in all; of that nothing is counted.`]
        : []),
    ],
  });
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();
const seconds = (timeMs: number): string => Math.round(timeMs / 1000).toString(36);

const refuse = (sentence: string): Result<never> => fail({ code: 'readings', sentence });
