import { Command } from 'commander';
import { resolve } from '@knapsack/contract';
import { controllerDaysCsv, daysOfLines } from '@knapsack/contract/field';
import { playInstruments } from '@knapsack/core';
import { wholeOption } from './options.js';
import { taken } from './taken.js';
import type { Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface Options {
  gear?: string;
  seed: number;
  every: number;
  days?: boolean;
}

/** knapsack play: an outing as it may go, told by a simulated battery monitor and charge controller, with the truth beside it. */
export function playCommand(terminal: Terminal): Command {
  return new Command('play')
    .description(
      'Play an outing by chance: the lines that a simulated battery monitor and charge controller would send, with what was true in lines that begin with #.',
    )
    .argument('<TRIP.json>', 'a trip document')
    .option(...GEAR_OPTION)
    .option('--seed <number>', 'another number, another outing', wholeOption('--seed', 0, 1e9), 1)
    .option('--every <seconds>', 'how often each sends', wholeOption('--every', 10, 3600), 60)
    .option('--days', 'what the charge controller remembers of it by the day, as CSV, instead of the lines')
    .action((tripFile: string, { gear, seed, every, days }: Options) => {
      const { trip, shelf } = readTripFiles(tripFile, gear);
      const plan = taken(tripFile, resolve(trip, shelf));
      const { lines, truth } = playInstruments(plan, seed, { everyMs: 1000 * every });
      if (days) return terminal.out(controllerDaysCsv(daysOfLines(lines, trip.place.timeZone)));
      const startMs = plan.outing.startMs;
      const told = truth.map(({ timeMs, soc }) => ({
        timeMs,
        line: `# truth ${timeMs - startMs} ${soc.toFixed(4)}`,
      }));
      const all = [...lines, ...told].sort((a, b) => a.timeMs - b.timeMs);
      terminal.out(
        `# start ${new Date(startMs).toISOString()}\n${all.map(({ line }) => `${line}\n`).join('')}`,
      );
    });
}
