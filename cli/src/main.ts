import { speakIn } from '@knapsack/core';
import { Command, CommanderError, Option } from 'commander';
import { adifCommand } from './adif-command.js';
import { backupCommand, restoreCommand } from './backup-command.js';
import { debriefCommand } from './debrief-command.js';
import { exportCommand, importCommand } from './export-command.js';
import { forecastCommand } from './forecast-command.js';
import { siteCommand } from './site-command.js';
import { nowCommand } from './now-command.js';
import { playCommand } from './play-command.js';
import { quickCommand } from './quick-command.js';
import { askHidden } from './ask-hidden.js';
import { passphraseCommand } from './passphrase-command.js';
import { rationCommand } from './ration-command.js';
import { sizeCommand } from './size-command.js';
import { InputProblem, type Terminal } from './terminal.js';
import { FiguresMissed, verifyCommand } from './verify-command.js';
import { weatherCommand } from './weather-command.js';
import { whatIfCommand } from './what-if-command.js';
import { wireCommand } from './wire-command.js';

const PROCESS: Terminal = {
  out: (text) => void process.stdout.write(text),
  err: (text) => void process.stderr.write(text),
  askHidden,
};

const BAD_INPUT = 2;
const MISSED = 1;

/**
 * The terminal tool.
 *
 * @param args what follows the program's name
 * @returns the exit code: 0, 1 where verify missed a figure, or 2 for input that cannot be used
 */
export async function main(args: readonly string[], terminal: Terminal = PROCESS): Promise<number> {
  const program = new Command('knapsack').description('Plans the energy of a portable radio outing.');
  program
    .addOption(
      new Option('--units <units>', 'what is told in: metric, or us for pounds, Fahrenheit and feet')
        .choices(['metric', 'us'])
        .default('metric'),
    )
    .addOption(new Option('--clock <hours>', 'hours of the clock').choices(['24', '12']).default('24'))
    .addOption(new Option('--currency <code>', 'stands with prices, such as EUR').argParser(currencyAsTyped))
    .hook('preAction', () => {
      const { units, clock, currency } = program.opts<{
        units: 'metric' | 'us';
        clock: string;
        currency?: string;
      }>();
      speakIn({ units, clock: clock === '12' ? 12 : 24, currency: currency ?? '' });
    });
  program
    .addCommand(quickCommand(terminal))
    .addCommand(forecastCommand(terminal))
    .addCommand(whatIfCommand(terminal))
    .addCommand(wireCommand(terminal))
    .addCommand(sizeCommand(terminal))
    .addCommand(rationCommand(terminal))
    .addCommand(nowCommand(terminal))
    .addCommand(adifCommand(terminal))
    .addCommand(debriefCommand(terminal))
    .addCommand(playCommand(terminal))
    .addCommand(weatherCommand(terminal))
    .addCommand(exportCommand(terminal))
    .addCommand(importCommand(terminal))
    .addCommand(siteCommand(terminal))
    .addCommand(backupCommand(terminal))
    .addCommand(restoreCommand(terminal))
    .addCommand(passphraseCommand(terminal))
    .addCommand(verifyCommand(terminal));
  for (const command of [program, ...program.commands]) {
    command.exitOverride().configureOutput({
      writeOut: terminal.out,
      writeErr: terminal.err,
      outputError: (text, write) => write(plain(text)),
    });
  }
  if (args.length === 0) {
    terminal.out(program.helpInformation());
    return 0;
  }
  try {
    await program.parseAsync([...args], { from: 'user' });
    return 0;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : BAD_INPUT;
    if (error instanceof FiguresMissed) return MISSED;
    if (error instanceof InputProblem) {
      terminal.err(`${error.message}\n`);
      return BAD_INPUT;
    }
    throw error;
  }
}

function currencyAsTyped(text: string): string {
  const code = text.toUpperCase();
  if (!/^[A-Z]{3}$/.test(code))
    throw new InputProblem(`--currency is three letters like EUR; “${text}” is not.`);
  return code;
}

/** Commander's "error: required option '--x' not specified" as a sentence on one line. */
function plain(text: string): string {
  const [line] = text
    .replace(/^error: /, '')
    .trim()
    .split('\n');
  const sentence = line.charAt(0).toUpperCase() + line.slice(1);
  return `${sentence.replace(/\.$/, '')}. Try --help.\n`;
}
