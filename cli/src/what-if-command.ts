import { Command } from 'commander';
import { resolve } from '@knapsack/contract';
import { whatIf, type Fix, type WhatIf } from '@knapsack/contract/what-if';
import { fixed, sayTerm, sayTime, type Sum } from '@knapsack/core';
import { taken } from './taken.js';
import type { Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface WhatIfOptions {
  gear?: string;
  json?: boolean;
}

/** knapsack what-if: what would fix a plan, what a failure leaves, how it goes on left alone. */
export function whatIfCommand(terminal: Terminal): Command {
  return new Command('what-if')
    .description(
      'A trip from its other sides: what would fix it, what a failure leaves, how it goes on left alone.',
    )
    .argument('<TRIP.json>', 'a trip document')
    .option(...GEAR_OPTION)
    .option('--json', 'print it as JSON')
    .action((tripFile: string, { gear, json }: WhatIfOptions) => {
      const { trip, shelf } = readTripFiles(tripFile, gear);
      taken(tripFile, resolve(trip, shelf));
      const found = whatIf(trip, shelf)!;
      const zone = trip.place.timeZone;
      terminal.out(json ? `${JSON.stringify(asJson(found))}\n` : inWords(trip.name, found, zone));
    });
}

const iso = (timeMs: number | null): string | null =>
  timeMs === null ? null : new Date(timeMs).toISOString();

function asJson({ fixes, failures, alone }: WhatIf) {
  return {
    fixes: fixes.map(({ words, trip, verdict, fixes: enough }) => ({
      words,
      enough,
      end: iso(verdict.endMs),
      marginAh: verdict.marginAh,
      trip,
    })),
    failures: failures.map(({ endMs, ...failure }) => ({ ...failure, end: iso(endMs) })),
    alone: { ...alone, darkDays: Number.isFinite(alone.darkDays) ? alone.darkDays : null },
  };
}

function inWords(name: string, { fixes, sums }: WhatIf, zone: string): string {
  const would = fixes.map((fix) => `  ${fix.words}: ${sayEnding(fix, zone)}`);
  const heading = fixes[0]?.fixes ? 'What would do' : 'None is enough alone; what helps most';
  return `${[
    name,
    ...(would.length > 0 ? ['', heading, ...would] : []),
    ...inLines(sums.failures),
    ...inLines(sums.alone),
  ].join('\n')}\n`;
}

const sayEnding = ({ verdict: { endMs, marginAh } }: Fix, zone: string): string =>
  endMs === null ? `${fixed(marginAh, 1)} Ah to spare` : `ends ${sayTime(endMs, zone)}`;

const inLines = ({ title, lines }: Sum): string[] => [
  '',
  title,
  ...lines.map(
    ({ label, terms, result }) => `  ${label}: ${terms.map(sayTerm).join('')}: ${sayTerm(result)}`,
  ),
];
