import type { Readings } from '@knapsack/core';

/** Rows that are made into one piece of text. */
const PIECE = 10_000;

/** The readings as a table that the bench reads back: seconds since the first, volts, amps; in pieces, as a file takes them. */
export function readingsCsv({ timesMs, volts, amps }: Readings): string[] {
  const pieces = ['time s,volts,amps\n'];
  for (let from = 0; from < timesMs.length; from += PIECE) {
    let piece = '';
    const to = Math.min(from + PIECE, timesMs.length);
    for (let index = from; index < to; index++) {
      piece += `${Math.round(timesMs[index] - timesMs[0]) / 1000},${volts[index]},${amps[index]}\n`;
    }
    pieces.push(piece);
  }
  return pieces;
}
