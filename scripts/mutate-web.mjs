// Faults in the page: Stryker's runner cannot drive the build that Angular's unit tests run in, so that its faults are put into a
// copy of the page here, one at a time, each with a build and a run of the tests of its own.
import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { NG_ENVIRONMENT } from './builds.mjs';
import { at, say } from './process.mjs';

const NOT_IN_THE_COPY = /\/(dist|node_modules)(\/|$)/;
/** A build and a run of the tests take half a minute; one that takes this long stands still, as in a loop without end. */
const PATIENCE_MS = 180_000;

/**
 * Puts faults into a copy of the page, each against its tests.
 *
 * @param faults files, places (offsets) and what stands there instead
 * @param scratch folder for the copy; taken away afterwards
 * @returns for each fault whether a test failed; null where it could not be built, which finds it too, but is no test's merit
 */
export async function faultsInPage(faults, scratch) {
  const copy = at(scratch, 'page');
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  cpSync(at('web'), join(copy, 'web'), { recursive: true, filter: (from) => !NOT_IN_THE_COPY.test(from) });
  cpSync(at('tsconfig.base.json'), join(copy, 'tsconfig.base.json'));
  symlinkSync(at('node_modules'), join(copy, 'node_modules'));
  const folder = join(copy, 'web');
  try {
    const without = await outcomeOf(folder);
    if (without !== 'passed') throw new Error(`The tests do not pass without a fault: ${without}.`);
    const found = [];
    for (const [index, { file, start, end, replacement }] of faults.entries()) {
      const there = join(copy, file);
      const source = readFileSync(there, 'utf8');
      writeFileSync(there, source.slice(0, start) + replacement + source.slice(end));
      const outcome = await outcomeOf(folder);
      writeFileSync(there, source);
      found.push(outcome === 'unbuilt' ? null : outcome !== 'passed');
      say(`${index + 1} of ${faults.length} faults: ${outcome}`);
    }
    return found;
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
}

/** How Angular's unit tests on a folder end. */
function outcomeOf(folder) {
  const child = spawn(
    process.execPath,
    [at('node_modules/@angular/cli/bin/ng.js'), 'test', '--no-watch', '--no-progress'],
    // A group of its own, so that the browser ends with it.
    { cwd: folder, env: { ...process.env, ...NG_ENVIRONMENT }, detached: true },
  );
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (said += piece));
  return new Promise((done) => {
    const patience = setTimeout(() => {
      process.kill(-child.pid, 'SIGKILL');
      done('stuck');
    }, PATIENCE_MS);
    child.once('close', () => {
      clearTimeout(patience);
      // By what it says: the browser may be slow to go, which is no test's fault.
      done(/TOTAL: \d+ SUCCESS/.test(said) ? 'passed' : /TOTAL: .*FAILED/.test(said) ? 'failed' : 'unbuilt');
    });
  });
}
