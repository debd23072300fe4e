// npm run mutate [folder ...]: how many small faults, put in one at a time, the tests beside the code find.
//
//   npm run mutate                          every folder of core and contract
//   npm run mutate core/src/panel           one folder, by the specs in it
//   npm run mutate core/src/panel -- --all  by every spec of its package: slower, and fewer survivors
//
// Not in the gate: an hour on two cores. Words are not changed (texts and tags say nothing about a formula); what runs
// once when a file is loaded, a table, is not either. Why, and what was found: docs/decisions/030-mutation.md.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { ensureLibraries } from './builds.mjs';
import { ensureInstalled } from './install.mjs';
import { at, die, run, say } from './process.mjs';

const PACKAGES = ['core', 'contract'];
const SCRATCH = '.mutation';

const words = process.argv.slice(2);
const byAll = words.includes('--all');
const named = words.filter((word) => !word.startsWith('--')).map((word) => word.replace(/\/+$/, ''));
const folders = named.length ? named : PACKAGES.flatMap(foldersOf);
for (const folder of folders)
  if (!PACKAGES.includes(folder.split('/')[0]) || !existsSync(at(folder)))
    die(`No folder of core or contract: ${folder}. Say one as core/src/panel.`);

await ensureInstalled();
await ensureLibraries();
const rows = [];
for (const folder of folders) rows.push(await mutated(folder));
say('');
for (const row of rows) for (const line of row.survivors) say(line);
say('');
for (const { folder, killed, alive, rate } of rows)
  process.stdout.write(`${folder.padEnd(28)} ${rate.padStart(6)}  ${killed} found, ${alive} not\n`);

function foldersOf(name) {
  return readdirSync(at(name, 'src'), { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== 'testing')
    .map((entry) => `${name}/src/${entry.name}`);
}

/** One folder's faults, each against the specs, in a copy of the project that is taken away afterwards. */
async function mutated(folder) {
  const scratch = `${SCRATCH}/${folder.replaceAll('/', '-')}`;
  mkdirSync(at(scratch), { recursive: true });
  const [name] = folder.split('/');
  const beside = byAll ? `${name}/dist` : folder.replace('/src', '/dist');
  const written = (file, content) => {
    writeFileSync(at(scratch, file), JSON.stringify(content, null, 2));
    return `${scratch}/${file}`;
  };
  const jasmine = written('jasmine.json', {
    spec_dir: '.',
    spec_files: [`${beside}/**/*.spec.js`],
    helpers: ['scripts/property-seed.mjs'],
    random: false,
  });
  const settings = written('stryker.json', {
    testRunner: 'jasmine',
    plugins: ['@stryker-mutator/jasmine-runner'],
    jasmineConfigFile: jasmine,
    coverageAnalysis: 'perTest',
    ignoreStatic: true,
    concurrency: 2,
    timeoutMS: 20_000,
    mutate: [`${folder}/**/*.ts`, `!${folder}/**/*.spec.ts`, `!${folder}/**/testing/**`],
    mutator: { excludedMutations: ['StringLiteral'] },
    // The copy: the package, the helper and the scripts; what is built is built in it.
    ignorePatterns: [
      '*',
      `!${name}`,
      `!${name}/**`,
      `${name}/dist`,
      '!scripts',
      '!scripts/**',
      `!${SCRATCH}`,
      `!${SCRATCH}/**`,
      '!package.json',
    ],
    buildCommand: `node scripts/transpile.mjs ${name}`,
    disableTypeChecks: `${name}/src/**/*.ts`,
    tempDirName: `${SCRATCH}/copies`,
    reporters: ['json'],
    jsonReporter: { fileName: `${scratch}/report.json` },
    allowEmpty: true,
    logLevel: 'warn',
  });
  rmSync(at(scratch, 'report.json'), { force: true });
  await run(process.execPath, [at('node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', settings], {
    during: `Putting faults into ${folder}`,
  });
  return { folder, ...read(at(scratch, 'report.json')) };
}

/** What the report says: found (a test failed, or ran out of time), not found, and where those are. */
function read(file) {
  const { files } = JSON.parse(readFileSync(file, 'utf8'));
  const mutants = Object.entries(files).flatMap(([path, { source, mutants: those }]) =>
    those.map((mutant) => ({ ...mutant, path, was: textAt(source, mutant.location) })),
  );
  const killed = mutants.filter(({ status }) => status === 'Killed' || status === 'Timeout').length;
  const left = mutants.filter(({ status }) => status === 'Survived' || status === 'NoCoverage');
  return {
    killed,
    alive: left.length,
    rate: killed + left.length ? `${((100 * killed) / (killed + left.length)).toFixed(0)} %` : 'none',
    survivors: left.map(
      ({ path, location, status, was, replacement }) =>
        `${path}:${location.start.line} ${status === 'NoCoverage' ? '(no test comes by) ' : ''}${short(was)} -> ${short(replacement)}`,
    ),
  };
}

function short(text) {
  return text.replace(/\s+/g, ' ').slice(0, 70);
}

function textAt(source, { start, end }) {
  const lines = source.split('\n').slice(start.line - 1, end.line);
  lines[lines.length - 1] = lines.at(-1).slice(0, end.column - 1);
  lines[0] = lines[0].slice(start.column - 1);
  return lines.join('\n');
}
