import { createWriteStream, existsSync, readFileSync, rmSync, statSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { Command } from 'commander';
import { countsOf, sayBytes, sayCounts, type BackupLook, type Restored } from '@knapsack/contract';
import { everythingIn, lookAtRestore, readBackup, restoreInto, writeBackup } from '@knapsack/server/backup';
import { dataFolder, fromFolder } from './data-folder.js';
import { taken } from './taken.js';
import { InputProblem, type Terminal } from './terminal.js';

const LARGEST_BACKUP = 256 * 1024 * 1024;

/** knapsack backup: everything in the data folder as one file. A Knapsack that runs on it goes on. */
export function backupCommand(terminal: Terminal): Command {
  return new Command('backup')
    .description('Write everything in your data folder (KNAPSACK_DATA, or ~/.knapsack) into one file.')
    .argument('<FILE.zip>', 'the file to write; one that is there already is left alone')
    .action((file: string) =>
      fromFolder(async () => {
        if (existsSync(file)) throw new InputProblem(`${file} is there already: choose another name.`);
        const kept = await everythingIn(dataFolder());
        try {
          await pipeline(
            writeBackup(kept, new Date()),
            createWriteStream(file, { flags: 'wx', mode: 0o600 }),
          );
        } catch (error) {
          // Half a backup is none.
          rmSync(file, { force: true });
          throw new InputProblem(`${file} cannot be written: ${(error as Error).message}.`);
        }
        terminal.out(`${file}: ${sayCounts(countsOf(kept))}, ${sayBytes(statSync(file).size)}.\n`);
      }),
    );
}

/** knapsack restore: a backup put back, all or nothing, with a look at what it would do. */
export function restoreCommand(terminal: Terminal): Command {
  return new Command('restore')
    .description('Put a backup back into your data folder, all of it or nothing. What is there stays.')
    .argument('<FILE.zip>', 'a backup')
    .option('--look', 'only say what would be done')
    .option('--replace', 'replace what is there with other content (else it stays as it is)')
    .action((file: string, { look, replace }: { look?: boolean; replace?: boolean }) =>
      fromFolder(async () => {
        if (!existsSync(file)) throw new InputProblem(`There is no file ${file}.`);
        if (statSync(file).size > LARGEST_BACKUP)
          throw new InputProblem(`${file} is larger than 256 MB, which no backup is.`);
        const backup = taken(file, await readBackup(readFileSync(file)));
        if (look) terminal.out(lookInWords(await lookAtRestore(dataFolder(), backup)));
        else
          terminal.out(
            restoredInWords(await restoreInto(dataFolder(), backup, replace ? 'replace' : 'keep')),
          );
      }),
    );
}

function lookInWords({ madeAt, documents, onlyHere }: BackupLook): string {
  const of = (standing: string) => documents.filter((one) => one.standing === standing);
  const lines = [
    `Backup of ${madeAt}: ${documents.length} documents.`,
    `  not here: ${of('new').length}`,
    `  here, the same: ${of('same').length}`,
    `  here, with other content: ${of('different').length}`,
    ...of('different').map(({ kind, name }) => `    ${kind}: ${name}`),
    ...of('setAside').map(
      ({ kind, name, sentence }) => `  put back and set aside, ${kind}: ${name}. ${sentence}`,
    ),
    ...of('leftOut').map(({ kind, name, sentence }) => `  left out, ${kind}: ${name}. ${sentence}`),
    `  only here, and staying: ${onlyHere}`,
    'Nothing was changed.',
  ];
  return `${lines.join('\n')}\n`;
}

function restoredInWords({ added, replaced, kept, same, leftOut, copy }: Restored): string {
  const parts = [
    `${added} added`,
    `${replaced} replaced`,
    `${same} the same`,
    ...(kept > 0 ? [`${kept} with other content left as they are here (--replace replaces them)`] : []),
    ...(leftOut > 0 ? [`${leftOut} left out (--look says why)`] : []),
  ];
  return `Restored: ${parts.join(', ')}.\n${copy ? `What was there before is kept in copies/${copy}.\n` : ''}`;
}
