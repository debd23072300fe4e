// Faults in the page: Stryker's runner cannot drive the build that Angular's unit tests run in, so that its faults are put into a
// copy of the page here, one at a time, while that build watches it.
import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { NG_ENVIRONMENT } from './builds.mjs';
import { at, say } from './process.mjs';

const NOT_IN_THE_COPY = /\/(dist|node_modules|\.angular)(\/|$)/;
/** A build and a run of the tests take seconds; one that takes this long stands still, as in a loop without end. */
const PATIENCE_MS = 120_000;

/**
 * Puts faults into a copy of the page, each against its tests.
 *
 * @param faults files, places (offsets) and what stands there instead
 * @param scratch folder for the copy; taken away afterwards
 * @returns for each fault whether a test failed; null where it could not be built, which finds it too, but no test's merit
 */
export async function faultsInPage(faults, scratch) {
  const copy = at(scratch, 'page');
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  cpSync(at('web'), join(copy, 'web'), { recursive: true, filter: (from) => !NOT_IN_THE_COPY.test(from) });
  cpSync(at('tsconfig.base.json'), join(copy, 'tsconfig.base.json'));
  symlinkSync(at('node_modules'), join(copy, 'node_modules'));
  const tests = new WatchedTests(join(copy, 'web'));
  try {
    const without = await tests.outcome();
    if (without !== 'passed')
      throw new Error(`The tests do not pass without a fault (${without}).\n${tests.said}`);
    const found = [];
    let mended = () => undefined;
    for (const [index, { file, start, end, replacement }] of faults.entries()) {
      // The last fault goes as the next one comes: one build for both.
      mended();
      const there = join(copy, file);
      const source = readFileSync(there, 'utf8');
      writeFileSync(there, source.slice(0, start) + replacement + source.slice(end));
      const outcome = await tests.outcome();
      found.push(outcome === 'unbuilt' ? null : outcome !== 'passed');
      mended = () => writeFileSync(there, source);
      // A page that stands still is not to be had back.
      if (outcome === 'stuck') {
        mended();
        tests.restart();
        await tests.outcome();
      }
      say(`${index + 1} of ${faults.length} faults: ${outcome}`);
    }
    return found;
  } finally {
    tests.stop();
    rmSync(copy, { recursive: true, force: true });
  }
}

/** Angular's unit tests on a folder that they watch. */
class WatchedTests {
  #folder;
  #child;
  #text = '';
  #told = () => undefined;
  /** What the last run printed. */
  said = '';

  constructor(folder) {
    this.#folder = folder;
    this.#start();
  }

  /** How the next run ends. */
  async outcome() {
    const patience = new Promise((done) => setTimeout(() => done('stuck'), PATIENCE_MS).unref());
    const outcome = await Promise.race([new Promise((told) => (this.#told = told)), patience]);
    this.#text = '';
    // Only then does it watch again.
    await new Promise((done) => setTimeout(done, 1500));
    return outcome;
  }

  restart() {
    this.stop();
    this.#start();
  }

  stop() {
    try {
      process.kill(-this.#child.pid, 'SIGKILL');
    } catch {
      // It has gone.
    }
  }

  #start() {
    this.#text = '';
    this.#child = spawn(
      process.execPath,
      [at('node_modules/@angular/cli/bin/ng.js'), 'test', '--watch', '--no-progress'],
      { cwd: this.#folder, env: { ...process.env, ...NG_ENVIRONMENT }, detached: true },
    );
    for (const stream of [this.#child.stdout, this.#child.stderr])
      stream.on('data', (piece) => this.#heard(String(piece)));
  }

  #heard(piece) {
    this.#text += piece;
    const outcome = /TOTAL: \d+ FAILED/.test(this.#text)
      ? 'failed'
      : /TOTAL: \d+ SUCCESS/.test(this.#text)
        ? 'passed'
        : /\[ERROR\]|Application bundle generation failed/.test(this.#text)
          ? 'unbuilt'
          : null;
    if (!outcome) return;
    this.said = this.#text;
    this.#text = '';
    this.#told(outcome);
  }
}
