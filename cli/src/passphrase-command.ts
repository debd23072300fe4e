import { join } from 'node:path';
import { Command } from 'commander';
import { keepSecret, PASSPHRASE_FILE, passphraseProblem, secretOf } from '@knapsack/server/reach';
import { askNoMore } from './ask-hidden.js';
import { dataFolder, fromFolder } from './data-folder.js';
import { InputProblem, type Terminal } from './terminal.js';

/** knapsack passphrase: sets what other devices log in with. Those that are in log in anew; a Knapsack that runs takes it at once. */
export function passphraseCommand(terminal: Terminal): Command {
  return new Command('passphrase')
    .description(
      'Set the passphrase with which other devices log in (KNAPSACK_LISTEN lets them). Type it twice, or pipe it in.',
    )
    .action(() =>
      fromFolder(async () => {
        try {
          const folder = dataFolder();
          const passphrase = await asked(terminal);
          keepSecret(folder, await secretOf(passphrase));
          terminal.out(
            `The passphrase is set; ${join(folder, PASSPHRASE_FILE)} holds what proves it, and goes into no backup. Devices that had logged in log in again.\n`,
          );
        } finally {
          askNoMore();
        }
      }),
    );
}

async function asked(terminal: Terminal): Promise<string> {
  const first = await terminal.askHidden('New passphrase: ');
  const problem = passphraseProblem(first ?? '');
  if (first === null || problem) throw new InputProblem(problem ?? 'No passphrase came.');
  const again = await terminal.askHidden('Once more: ');
  // What is piped in stands there once.
  if (again !== null && again !== first) throw new InputProblem('The two differ; nothing was set.');
  return first;
}
