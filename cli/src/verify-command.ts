import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Command } from 'commander';
import { verifyFile, type ReferenceFile } from '@knapsack/core';
import { readJson } from './read-json.js';
import { InputProblem, type Terminal } from './terminal.js';

/** The figures that ship with the core. */
const SHIPPED = fileURLToPath(new URL('../../core/reference', import.meta.url));

/** What main answers with when a figure was not met. */
export class FiguresMissed extends Error {}

/** knapsack verify: independent figures against the core's own functions. */
export function verifyCommand(terminal: Terminal): Command {
  return new Command('verify')
    .description('Runs files of independent figures through the core and says how near it comes.')
    .argument('[DIR]', 'a folder of such files (the ones that ship with the core)', SHIPPED)
    .action((folder: string) => {
      if (!existsSync(folder) || !statSync(folder).isDirectory()) {
        throw new InputProblem(`There is no folder ${folder}.`);
      }
      const names = readdirSync(folder)
        .filter((name) => name.endsWith('.json'))
        .sort();
      if (names.length === 0) throw new InputProblem(`${folder} holds no file of figures (*.json).`);
      const lines = names.map((name) => lineOf(name, join(folder, name)));
      const width = Math.max(...lines.map(({ name }) => name.length));
      for (const { name, text } of lines) terminal.out(`${name.padEnd(width)}  ${text}\n`);
      if (lines.some(({ passed }) => !passed)) throw new FiguresMissed();
    });
}

function lineOf(name: string, path: string): { name: string; text: string; passed: boolean } {
  const data = readJson(path);
  const verified = isReferenceFile(data) ? verifyFile(data) : null;
  if (!isReferenceFile(data) || !verified) {
    return { name, text: 'FAIL  not a file of figures of a kind that the core computes', passed: false };
  }
  const { cases, figures, failures, worst } = verified;
  const passed = failures === 0 && cases > 0;
  const counts = `${String(cases).padStart(4)} cases  ${String(figures).padStart(5)} figures  ${String(failures).padStart(3)} missed`;
  const { absolute = 0, relative = 0, absolute_field: field } = data.tolerance[worst?.figure ?? ''] ?? {};
  const tolerance = field ? `the case's ${field}` : `${relative * 100} % or ${absolute}`;
  const worstWords = worst
    ? `worst ${worst.figure} of case ${worst.index}: got ${tell(worst.got)}, wanted ${tell(worst.wanted)}, ${(worst.share * 100).toFixed(1)} % of the tolerance (${tolerance})`
    : '';
  return { name, text: `${passed ? 'pass' : 'FAIL'} ${counts}  ${worstWords}`, passed };
}

const tell = (value: unknown): string =>
  typeof value === 'number'
    ? String(Number(value.toPrecision(7)))
    : value === undefined
      ? 'nothing'
      : String(value);

function isReferenceFile(data: unknown): data is ReferenceFile {
  const file = data as Partial<ReferenceFile> | null;
  return (
    typeof file === 'object' &&
    file !== null &&
    Array.isArray(file.cases) &&
    typeof file.tolerance === 'object' &&
    Object.values(file.tolerance).every((tolerance) => typeof tolerance === 'object')
  );
}
