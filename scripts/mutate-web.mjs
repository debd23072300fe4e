// Faults in the page: Stryker's runner cannot drive the build that Angular's unit tests run in. Its instrumenter can still put all faults
// into a copy of the page at once, each behind a switch. The copy is built once; in one browser the specs are run without a fault,
// which tells what each of them comes by, and then for each fault those that come by it: a second a fault.
import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { NG_ENVIRONMENT } from './builds.mjs';
import { at, die, say } from './process.mjs';

const NOT_IN_THE_COPY = /\/(dist|node_modules)(\/|$)/;
/** A browser that says nothing for this long stands still, as in a loop without end. */
const PATIENCE_MS = 60_000;
/** What the browser says of a fault, on a line of its own. */
const SAID = /FAULT (\d+) (found|not|static|unseen)/;

/**
 * Puts faults into a copy of the page, each against the specs that come by it.
 *
 * @param files with all faults behind switches, by name
 * @param ids of the faults to try
 * @param scratch folder for the copy; taken away afterwards
 * @returns by id: whether a spec failed, "unseen" where none comes by; null where it counts only while a file is loaded
 */
export async function faultsInPage(files, ids, scratch) {
  const copy = at(scratch, 'page');
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  cpSync(at('web'), join(copy, 'web'), { recursive: true, filter: (from) => !NOT_IN_THE_COPY.test(from) });
  cpSync(at('tsconfig.base.json'), join(copy, 'tsconfig.base.json'));
  symlinkSync(at('node_modules'), join(copy, 'node_modules'));
  // The guide is part of the page.
  symlinkSync(at('docs'), join(copy, 'docs'));
  try {
    for (const { name, content } of files) writeFileSync(join(copy, name), content);
    // Behind a switch a value may be of another type than what it stands for.
    for (const name of readdirSync(join(copy, 'web/src'), { recursive: true }))
      if (name.endsWith('.ts')) unchecked(join(copy, 'web/src', name));
    edit(join(copy, 'web/tsconfig.json'), '"strictTemplates": true', '"strictTemplates": false');
    edit(
      join(copy, 'web/karma.conf.cjs'),
      'restartOnFileChange',
      `browserNoActivityTimeout: ${PATIENCE_MS}, $&`,
    );
    edit(join(copy, 'web/angular.json'), '"@angular/localize/init"', '$&, "src/run-again.ts"');
    writeFileSync(join(copy, 'web/src/run-again.ts'), RUN_AGAIN);
    const outcomes = new Map();
    let left = ids;
    while (left.length > 0) {
      writeFileSync(join(copy, 'web/src/app/one-fault-after-another.spec.ts'), driver(left));
      const before = outcomes.size;
      const last = await run(join(copy, 'web'), (id, outcome) => outcomes.set(id, outcome));
      left = left.filter((id) => !outcomes.has(id));
      // A fault may stop the browser for good, or leave it so that nothing passes any more: it is found, and the next begin anew.
      if (left.length > 0) {
        if (outcomes.size === before && before === 0)
          die(`The page with switches does not build or pass:\n${last}`);
        outcomes.set(left[0], 'found');
        left = left.slice(1);
      }
    }
    return outcomes;
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
}

const edit = (file, from, to) =>
  writeFileSync(file, readFileSync(file, 'utf8').replace(new RegExp(from), to));
const unchecked = (file) => writeFileSync(file, `// @ts-nocheck\n${readFileSync(file, 'utf8')}`);

/** Runs Angular's unit tests on a folder and hears what is said of faults; resolves to the end of what was said. */
function run(folder, hear) {
  const child = spawn(
    process.execPath,
    [at('node_modules/@angular/cli/bin/ng.js'), 'test', '--no-watch', '--no-progress'],
    { cwd: folder, env: { ...process.env, ...NG_ENVIRONMENT }, detached: true },
  );
  let rest = '';
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (piece) => {
      said = (said + piece).slice(-4000);
      const lines = (rest + piece).split('\n');
      rest = lines.pop();
      for (const [, id, outcome] of lines.map((line) => SAID.exec(line)).filter(Boolean)) {
        hear(id, outcome);
        say(`fault ${id}: ${outcome}`);
      }
    });
  return new Promise((done) => {
    child.once('close', () => done(said));
  });
}

/** Jasmine forgets what a spec does once it has run; here it is run again. */
const RUN_AGAIN = `// @ts-nocheck
Object.defineProperty(globalThis, 'jasmine', {
  configurable: true,
  set(jasmine) {
    Object.defineProperty(globalThis, 'jasmine', { value: jasmine, writable: true });
    for (const { prototype } of [jasmine.Spec, jasmine.Suite])
      Object.defineProperty(prototype, 'autoCleanClosures', { get: () => false, set: () => {} });
  },
});
`;

/** A spec file that takes the run over from Karma. */
const driver = (ids) => `// @ts-nocheck
const IDS = ${JSON.stringify(ids)};
const env = jasmine.getEnv();
const switches = (globalThis.__stryker__ ??= {});
const tell = (id, outcome) => console.log('FAULT ' + id + ' ' + outcome);
const fails = async (specs) => (await env.execute(specs)).overallStatus === 'failed';
window.__karma__.start = async () => {
  env.configure({ random: false, stopOnSpecFailure: true });
  env.addReporter({
    specStarted: ({ id }) => (switches.currentTestId = id),
    specDone: () => (switches.currentTestId = undefined),
  });
  window.__karma__.info({ total: IDS.length });
  if (await fails()) {
    console.log('The specs do not pass without a fault.');
    return window.__karma__.complete({});
  }
  const { perTest, static: loading } = structuredClone(switches.mutantCoverage);
  for (const id of IDS) {
    const specs = Object.keys(perTest).filter((spec) => perTest[spec][id] > 0);
    if (specs.length === 0) {
      tell(id, loading[id] > 0 ? 'static' : 'unseen');
      continue;
    }
    switches.hitCount = 0;
    switches.hitLimit = 1000 + 100 * specs.reduce((sum, spec) => sum + perTest[spec][id], 0);
    switches.activeMutant = id;
    const found = await fails(specs);
    switches.activeMutant = undefined;
    localStorage.clear();
    sessionStorage.clear();
    tell(id, found ? 'found' : 'not');
    // What a fault has left behind must not find the next.
    if (found && (await fails(specs))) break;
  }
  window.__karma__.complete({});
};
`;
