import { Command } from 'commander';
import {
  billCsv,
  billOf,
  harnessDrawing,
  harnessReport,
  svgOf,
  type HarnessReport,
} from '@knapsack/contract/harness';
import { fixed, sayQuantity, SEVERITY_NAMES } from '@knapsack/core';
import type { Terminal } from './terminal.js';
import { GEAR_OPTION, readTripFiles } from './trip-files.js';

interface WireOptions {
  gear?: string;
  json?: boolean;
  svg?: boolean;
  csv?: boolean;
}

/** knapsack wire: how a kit is wired, what flows where, what is wrong with it, and in which order it is joined. */
export function wireCommand(terminal: Terminal): Command {
  return new Command('wire')
    .description(
      'The wiring of a trip’s kit: what flows in each run, which rules are broken, the order of connecting.',
    )
    .argument('<TRIP.json>', 'a trip document')
    .option(...GEAR_OPTION)
    .option('--svg', 'print the drawing as SVG')
    .option('--csv', 'print the parts list as CSV')
    .option('--json', 'print it as JSON')
    .action((tripFile: string, { gear, json, svg, csv }: WireOptions) => {
      const { trip, shelf } = readTripFiles(tripFile, gear);
      const report = harnessReport(trip, shelf);
      if (svg) terminal.out(`${svgOf(harnessDrawing(report, 'across'), `Wiring of ${trip.name}`)}\n`);
      else if (csv) terminal.out(billCsv(billOf(report)));
      else terminal.out(json ? `${JSON.stringify(report)}\n` : inWords(trip.name, report));
    });
}

function inWords(name: string, report: HarnessReport): string {
  const { runs, checks, joining, joiningBlocked, parting, cautions, uncalculated } = report;
  const steps = (order: HarnessReport['joining']) =>
    order.map(({ words }, index) => `  ${index + 1}. ${words}`);
  const amps = (value: number) => sayQuantity({ value, unit: 'A' });
  return `${[
    name,
    ...(uncalculated
      ? ['', `The plan cannot be calculated: ${uncalculated} Currents are those of the blocks.`]
      : []),
    '',
    'Runs',
    ...runs.map(({ label, keyDownA, mostChargeA, mostDropV }) => {
      const flows = amps(Math.max(keyDownA, mostChargeA));
      return `  ${label}: ${flows}${mostDropV === null ? ', resistance not entered' : `, loses ${fixed(mostDropV, 2)} V`}`;
    }),
    '',
    checks.length > 0 ? 'Findings' : 'No findings.',
    ...checks.flatMap(({ severity, sentence, remedy, noRemedy }) => [
      `  ${SEVERITY_NAMES[severity]}: ${sentence}`,
      ...(remedy ? [`    fix: ${remedy.description}`] : noRemedy ? [`    ${noRemedy}`] : []),
    ]),
    '',
    ...(joiningBlocked ? [joiningBlocked] : ['Connect in this order', ...steps(joining)]),
    '',
    'Disconnect in this order',
    ...steps(parting),
    ...(cautions.length > 0 ? ['', 'Cautions', ...cautions.map((caution) => `  ${caution}`)] : []),
  ].join('\n')}\n`;
}
