import {
  fail,
  readInstrumentLine,
  succeed,
  type LineSource,
  type PlayedTruth,
  type Result,
} from '@knapsack/core';
import type { LogEntry } from '../documents/log.js';
import { entriesOfLines, type LinesSoFar } from './entries-of-lines.js';

/** What instruments sent at an instant, and what was true where the file says so. */
export interface LinesMoment {
  /** UTC epoch ms. */
  readonly timeMs: number;
  readonly lines: readonly string[];
  readonly truth: PlayedTruth | null;
}

/** A file of lines of instruments. */
export interface LinesFile {
  /** Ascending in time. */
  readonly moments: readonly LinesMoment[];
  /** The file says when it begins; else its last line was taken to be of now. */
  readonly saysWhen: boolean;
  /** Lines that are none. */
  readonly unread: number;
}

/** Lines that are read of a file at the most. */
export const MOST_FILE_LINES = 200_000;

const START = /^#\s*start\s+(\S{10,40})\s*$/;
const TRUTH = /^#\s*truth\s+(\d{1,12})\s+([01](?:\.\d{1,6})?)\s*$/;

/**
 * Reads a file of lines as instruments send them and `knapsack play` prints them. Source: convention of this project, docs/formats.md.
 *
 * @param nowMs when the last line is taken to be of where the file does not say when it begins, UTC epoch ms
 */
export function readLinesFile(text: string, nowMs: number): Result<LinesFile> {
  const all = text.split('\n', MOST_FILE_LINES + 1);
  if (all.length > MOST_FILE_LINES) {
    return refuse(`This file has more than ${MOST_FILE_LINES} lines. Nothing was taken.`);
  }
  let startMs = NaN;
  let unread = 0;
  const found = new Map<number, { lines: string[]; soc: number | null }>();
  const at = (ms: number) => {
    const there = found.get(ms) ?? { lines: [], soc: null };
    found.set(ms, there);
    return there;
  };
  for (const line of all) {
    const truth = TRUTH.exec(line);
    if (truth) at(Number(truth[1])).soc = Number(truth[2]);
    else if (line.trimStart().startsWith('#')) startMs = Date.parse(START.exec(line)?.[1] ?? '') || startMs;
    else if (line.trim() !== '') {
      const reading = readInstrumentLine(line);
      if (reading) at(reading.ms).lines.push(line.trim());
      else unread += 1;
    }
  }
  const sent = [...found].filter(([, { lines }]) => lines.length > 0).sort(([a], [b]) => a - b);
  const last = sent.at(-1);
  if (!last) {
    return refuse(
      'There is no line of an instrument in this file: one looks like “B 60000 13.12 -0.84 87 -2.31 640”. Nothing was taken.',
    );
  }
  const saysWhen = Number.isFinite(startMs);
  const from = saysWhen ? startMs : nowMs - last[0];
  return succeed({
    saysWhen,
    unread,
    moments: sent.map(([ms, { lines, soc }]): LinesMoment => {
      const timeMs = from + ms;
      return { timeMs, lines, truth: soc === null ? null : { timeMs, soc, sky: null } };
    }),
  });
}

/** What a file of lines comes to in a log. */
export function entriesOfLinesFile({ moments }: LinesFile): readonly LogEntry[] {
  let soFar: ReadonlyMap<LineSource, LinesSoFar> = new Map();
  return moments.flatMap(({ lines, timeMs }) => {
    const found = entriesOfLines(lines, timeMs, soFar);
    soFar = found.soFar;
    return found.entries;
  });
}

const refuse = (sentence: string): Result<never> => fail({ code: 'lines-file', sentence });
