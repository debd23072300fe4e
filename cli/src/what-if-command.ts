import { Command } from 'commander';
import { resolve } from '@knapsack/contract';
import { describeFix, describeFixes, whatIf, type WhatIf } from '@knapsack/contract/what-if';
import { type Sum } from '@knapsack/core';
import { sayLine } from './say-line.js';
import { taken } from './taken.js';
import type { Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface WhatIfOptions {
  gear?: string;
  json?: boolean;
}

/** knapsack what-if: what would fix a plan, what a failure leaves, how it runs unattended. */
export function whatIfCommand(terminal: Terminal): Command {
  return new Command('what-if')
    .description(
      'A trip from its other sides: what would fix it, what a failure leaves, how it runs unattended.',
    )
    .argument('<TRIP.json>', 'a trip document')
    .option(...GEAR_OPTION)
    .option('--json', 'print it as JSON')
    .action((tripFile: string, { gear, json }: WhatIfOptions) => {
      const { trip, shelf } = readTripFiles(tripFile, gear);
      taken(tripFile, resolve(trip, shelf));
      const found = whatIf(trip, shelf)!;
      terminal.out(json ? `${JSON.stringify(asJson(found))}\n` : inWords(trip.name, found));
    });
}

const iso = (timeMs: number | null): string | null =>
  timeMs === null ? null : new Date(timeMs).toISOString();

function asJson({ fixes, failures, alone }: WhatIf) {
  return {
    fixes: fixes.map(({ words, trip, chance, fixes: enough }) => ({
      words,
      enough,
      chance: { finish: chance.chance, standardError: chance.standardError, samples: chance.samples },
      trip,
    })),
    failures: failures.map(({ endMs, ...failure }) => ({ ...failure, end: iso(endMs) })),
    alone: { ...alone, darkDays: Number.isFinite(alone.darkDays) ? alone.darkDays : null },
  };
}

function inWords(name: string, { fixes, sums }: WhatIf): string {
  const would = fixes.map((fix) => `  ${fix.words}: ${describeFix(fix)}`);
  const heading = describeFixes(fixes);
  return `${[
    name,
    ...(would.length > 0 ? ['', heading, ...would] : []),
    ...inLines(sums.failures),
    ...inLines(sums.alone),
    ...inLines(sums.runs),
  ].join('\n')}\n`;
}

const inLines = ({ title, lines, remark }: Sum): string[] => [
  '',
  title,
  ...lines.map((line) => `  ${sayLine(line)}`),
  ...(remark ? [`  ${remark}`] : []),
];
