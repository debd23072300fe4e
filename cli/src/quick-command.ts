import { Command } from 'commander';
import {
  CHEMISTRIES,
  CHEMISTRY_NAMES,
  fixed,
  quickSum,
  sayDuration,
  sayQuantity,
  type ChemistryName,
  type QuickSum,
} from '@knapsack/core';
import { numberOption } from './options.js';
import { InputProblem, type Terminal } from './terminal.js';

interface QuickOptions {
  capacityAh: number;
  chemistry: ChemistryName;
  usable?: number;
  receiveA: number;
  transmitA: number;
  share: number;
  alwaysA: number;
  sunA: number;
  hours?: number;
  json?: boolean;
}

/** knapsack quick: whiteboard arithmetic on one line. */
export function quickCommand(terminal: Terminal): Command {
  const command = new Command('quick').description(
    'Hours that a battery lasts, by whiteboard arithmetic: usable x Ah / net amps. No Peukert, no volts, no cold; a trip knows more.',
  );
  command
    .requiredOption('--capacity-ah <Ah>', 'rated capacity', numberOption('ratedAh', '--capacity-ah'))
    .option(
      '--chemistry <name>',
      `one of ${CHEMISTRY_NAMES.join(', ')}`,
      chemistry,
      'lifepo4' as ChemistryName,
    )
    .option(
      '--usable <share>',
      'share of the capacity used, above 0 to 1 (the chemistry’s usual one)',
      numberOption('usable', '--usable'),
    )
    .requiredOption('--receive-a <A>', 'current while receiving', numberOption('receiveA', '--receive-a'))
    .requiredOption(
      '--transmit-a <A>',
      'mean current while transmitting',
      numberOption('transmitA', '--transmit-a'),
    )
    .requiredOption('--share <share>', 'transmit duty cycle, 0 to 1', numberOption('share', '--share'))
    .option('--always-a <A>', 'drawn all the time besides', numberOption('drawA', '--always-a'), 0)
    .option('--sun-a <A>', 'mean current from the sun', numberOption('sunA', '--sun-a'), 0)
    .option('--hours <h>', 'hours wanted, to compare with', numberOption('wantedHours', '--hours'))
    .option('--json', 'print JSON')
    .action((options: QuickOptions) => {
      const usable = options.usable ?? 1 - CHEMISTRIES[options.chemistry].reserveSoc;
      const { hours: wantedHours, ...rest } = options;
      const sum = quickSum({ ...rest, usable, ...(wantedHours !== undefined && { wantedHours }) });
      terminal.out(options.json ? `${JSON.stringify(sum)}\n` : inWords(sum, wantedHours));
    });
  return command;
}

function chemistry(text: string): ChemistryName {
  const name = CHEMISTRY_NAMES.find((known) => known === text.toLowerCase());
  if (!name)
    throw new InputProblem(
      `--chemistry: “${text}” is not known; choose one of ${CHEMISTRY_NAMES.join(', ')}.`,
    );
  return name;
}

function inWords(sum: QuickSum, wantedHours: number | undefined): string {
  const lines = [
    `draws ${sayQuantity({ value: sum.meanA, unit: 'A' })} on average, net of the sun ${sayQuantity({ value: sum.netA, unit: 'A' })}`,
    `usable ${sayQuantity({ value: sum.usableAh, unit: 'Ah' })}`,
    sum.hours === null
      ? 'solar covers the load: no end'
      : `lasts ${sayDuration(sum.hours)} (${fixed(sum.hours, 2)} h)`,
  ];
  if (sum.spareHours !== null) {
    lines.push(
      sum.reaches
        ? `${sayDuration(sum.spareHours)} more than the ${wantedHours} h wanted`
        : `${sayDuration(-sum.spareHours)} short of the ${wantedHours} h wanted`,
    );
  }
  return `${lines.join('\n')}\n`;
}
