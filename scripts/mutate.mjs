// npm run mutate [folder ...]: how many small faults, put in one at a time, the tests find.
//
//   npm run mutate                                all of core and of contract, every fault: hours
//   npm run mutate core contract -- --sample 300  so many of each, drawn by lot, the same at every run
//   npm run mutate core -- --sample 80 --lot 2     others, drawn anew: to count after specs were written for those of a first lot
//   npm run mutate core/src/panel                 one folder, every fault
//   npm run mutate core/src/panel -- --beside     by the specs in that folder alone: seconds; a file may be said as well
//   npm run mutate core/src/panel -- --spare      the same, every test asked for each fault: which find none that others do not
//   npm run mutate web/src/app/trip               of the page: a minute, and a second for each
//   npm run mutate web/src/app -- --only store    of the files alone whose name has that in it, as a pattern: store|words
//
// Not in the gate. Property tests draw fewer cases here than there, so that a fault takes seconds. Words are not changed (texts
// and tags say nothing about a formula); what runs once when a file is loaded, a table, is not either. Why, and what was found:
// docs/decisions/030-faults-and-speed.md.
import { Instrumenter } from '@stryker-mutator/instrumenter';
import { AngularIgnorer } from '../node_modules/@stryker-mutator/instrumenter/dist/src/frameworks/angular-ignorer.js';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureLibraries } from './builds.mjs';
import { generator } from './generator.mjs';
import { ensureInstalled } from './install.mjs';
import { spareTests } from './mutate-spare.mjs';
import { faultsInPage } from './mutate-web.mjs';
import { at, die, run, say } from './process.mjs';

const PACKAGES = ['core', 'contract', 'web'];
const SCRATCH = '.mutation';
const NOT_CHANGED = ['StringLiteral'];
const PROPERTY_RUNS = '5';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    sample: { type: 'string' },
    lot: { type: 'string', default: '1' },
    beside: { type: 'boolean', default: false },
    spare: { type: 'boolean', default: false },
    only: { type: 'string' },
  },
});
const only = new RegExp(values.only ?? '');
const sample = values.sample === undefined ? null : Number(values.sample);
if (sample !== null && !(sample > 0)) die('Say how many faults to draw: --sample 300.');
const folders = (positionals.length ? positionals : ['core', 'contract']).map((word) =>
  word.replace(/\/+$/, ''),
);
for (const folder of folders)
  if (!PACKAGES.includes(folder.split('/')[0]) || !existsSync(at(folder)))
    die(`No folder of core, contract or web: ${folder}. Say one as core/src/panel.`);
if (values.spare && folders.some((folder) => folder.startsWith('web')))
  die('Which tests are spare is told of core and of contract alone.');

await ensureInstalled();
await ensureLibraries();
const found = [];
for (const folder of folders)
  found.push(...(await (folder.startsWith('web/') ? mutatedPage(folder) : mutated(folder))));
say('');
for (const { line, isFound } of found) if (!isFound) say(line);
say('');
for (const [folder, those] of grouped(found)) {
  const telling = those.filter(({ isEdge }) => !isEdge);
  const toldOf = (faults) => {
    const found = faults.filter(({ isFound }) => isFound).length;
    return `${((100 * found) / (faults.length || 1)).toFixed(0).padStart(4)} %  ${found} of ${faults.length}`;
  };
  process.stdout.write(`${folder.padEnd(28)} ${toldOf(those).padEnd(22)} without edges ${toldOf(telling)}\n`);
}

/** The faults of a folder, each against the specs, in a copy of the project that is taken away afterwards. */
async function mutated(folder) {
  const scratch = `${SCRATCH}/${folder.replaceAll('/', '-')}`;
  mkdirSync(at(scratch), { recursive: true });
  const [name] = folder.split('/');
  const home = isFile(folder) ? dirname(folder) : folder;
  const specs = values.beside || values.spare ? home.replace('/src', '/dist') : `${name}/dist`;
  const written = (file, content) => {
    writeFileSync(at(scratch, file), JSON.stringify(content, null, 2));
    return `${scratch}/${file}`;
  };
  const jasmine = written('jasmine.json', {
    spec_dir: '.',
    // Those that take seconds each are left out: a fault that only they find would cost minutes.
    spec_files: [`${specs}/**/*.spec.js`, `!${specs}/**/*.long.spec.js`],
    helpers: ['scripts/spec-settings.mjs'],
    random: false,
  });
  const settings = written('stryker.json', {
    testRunner: 'jasmine',
    plugins: ['@stryker-mutator/jasmine-runner', at('scripts/mutate-said.mjs')],
    jasmineConfigFile: jasmine,
    coverageAnalysis: 'perTest',
    disableBail: values.spare,
    ignoreStatic: true,
    concurrency: 2,
    // A fault that runs for ever is told by that: as long as its tests take, and a little.
    timeoutMS: 10_000,
    timeoutFactor: 1.1,
    mutate:
      sample === null && values.only === undefined
        ? isFile(folder)
          ? [folder]
          : [`${folder}/**/*.ts`, `!${folder}/**/*.spec.ts`, `!${folder}/**/testing/**`]
        : await drawn(folder, sample ?? Infinity),
    mutator: { excludedMutations: NOT_CHANGED },
    // The copy: the package, the scripts, and the demo that specs read; what is built is built in it.
    ignorePatterns: [
      ...['*', `!${name}`, `!${name}/**`, `${name}/dist`, '!demo', '!demo/**'],
      ...['!scripts', '!scripts/**', `!${SCRATCH}`, `!${scratch}`, `!${scratch}/**`, '!package.json'],
    ],
    buildCommand: `node scripts/transpile.mjs ${name}`,
    disableTypeChecks: `${name}/src/**/*.ts`,
    tempDirName: `${SCRATCH}/copies`,
    reporters: ['json', 'said'],
    jsonReporter: { fileName: `${scratch}/report.json` },
    allowEmpty: true,
    logLevel: 'error',
  });
  rmSync(at(scratch, 'report.json'), { force: true });
  await run(process.execPath, [at('node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', settings], {
    during: `Putting faults into ${folder}`,
    env: { PROPERTY_RUNS },
  });
  const report = JSON.parse(readFileSync(at(scratch, 'report.json'), 'utf8'));
  if (values.spare) for (const name of spareTests(report)) say(`Finds nothing alone: ${name}`);
  return read(report);
}

/** The faults of a folder of the page. */
async function mutatedPage(folder) {
  const { files, mutants } = await drawnOf(folder, sample ?? Infinity);
  const outcomes = await faultsInPage(
    files,
    mutants.map(({ id }) => id),
    SCRATCH,
  );
  return mutants.flatMap(({ id, fileName, location: { start, end }, replacement }) => {
    const outcome = outcomes.get(id);
    if (outcome === 'static') return [];
    const place = { start: { ...start, line: start.line + 1 }, end: { ...end, line: end.line + 1 } };
    const was = textAt(readFileSync(at(fileName), 'utf8'), shifted(place));
    const unseen = outcome === 'unseen' ? '(no test comes by) ' : '';
    return [
      {
        path: fileName,
        isFound: outcome === 'found',
        isEdge: isEdge(was, replacement),
        line: `${fileName}:${place.start.line} ${unseen}${short(was)} -> ${short(replacement)}`,
      },
    ];
  });
}

/** The instrumenter counts columns from 0, the report from 1. */
function shifted({ start, end }) {
  return { start: { ...start, column: start.column + 1 }, end: { ...end, column: end.column + 1 } };
}

/** One file may be said instead of a folder. */
function isFile(word) {
  return word.endsWith('.ts');
}

/** Places of so many faults of a folder, by lot. */
async function drawn(folder, count) {
  const place = ({ line, column }) => `${line + 1}:${column}`;
  return (await drawnOf(folder, count)).mutants.map(
    ({ fileName, location }) => `${fileName}:${place(location.start)}-${place(location.end)}`,
  );
}

/** So many faults of a folder, by lot, and its files with all of them behind switches. */
async function drawnOf(folder, count) {
  const files = isFile(folder)
    ? [folder]
    : readdirSync(at(folder), { recursive: true })
        .filter((file) => /^(?!.*\.spec\.ts$)(?!(.*\/)?testing\/).*\.ts$/.test(file) && only.test(file))
        .map((file) => `${folder}/${file}`);
  const quiet = { debug() {}, info() {}, warn() {}, isDebugEnabled: () => false };
  const { files: switched, mutants } = await new Instrumenter(quiet).instrument(
    files.map((name) => ({ name, mutate: true, content: readFileSync(at(name), 'utf8') })),
    { excludedMutations: NOT_CHANGED, ignorers: [new AngularIgnorer()], plugins: null },
  );
  const random = generator(20270903 + Number(values.lot));
  const taken = mutants
    // Those that are left alone are listed all the same, without a switch.
    .filter(({ status }) => status !== 'Ignored')
    .map((mutant) => ({ mutant, by: random() }))
    .sort((a, b) => a.by - b.by)
    .slice(0, count)
    .map(({ mutant }) => mutant);
  return { files: switched, mutants: taken };
}

/** What the report says of each fault: found (a test failed, or ran out of time) or not. */
function read({ files }) {
  return Object.entries(files).flatMap(([path, { source, mutants }]) =>
    mutants
      .filter(({ status }) => ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(status))
      .map(({ location, status, replacement }) => ({
        path,
        isFound: status === 'Killed' || status === 'Timeout',
        isEdge: isEdge(textAt(source, location), replacement),
        line: `${path}:${location.start.line} ${status === 'NoCoverage' ? '(no test comes by) ' : ''}${short(
          textAt(source, location),
        )} -> ${short(replacement)}`,
      })),
  );
}

/**
 * Whether a fault shows at one point only: above for at or above, or the other way round. Of amperes and instants, which never lie
 * exactly there, that is no fault; of numbers that are counted it is one. Told beside.
 */
function isEdge(was, becomes) {
  const bare = (text) => text.replace(/[\s()]/g, '');
  return (
    bare(was) !== bare(becomes) &&
    bare(was).replace(/([<>])=/g, '$1') === bare(becomes).replace(/([<>])=/g, '$1')
  );
}

/** By folder, and all of a package. */
function grouped(those) {
  const groups = new Map();
  for (const one of those) {
    const parts = one.path.split('/');
    for (const folder of [parts.length > 3 ? parts.slice(0, 3).join('/') : `${parts[0]}/src`, parts[0]])
      groups.set(folder, [...(groups.get(folder) ?? []), one]);
  }
  return [...groups].sort(([a], [b]) => (a < b ? -1 : 1));
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
