// Running other programs, on every platform, and saying how it goes.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const at = (...parts) => join(ROOT, ...parts);

/** Imports a module of the project, built by now; Windows imports addresses, not paths. */
export const load = (path) => import(pathToFileURL(at(path)).href);

/** Says something on standard error, so that the terminal tool's output stays clean. */
export const say = (text) => process.stderr.write(`${text}\n`);

export function die(sentence, code = 1) {
  say(sentence);
  process.exit(code);
}

/**
 * Runs a program to its end. Exits with a sentence when it fails.
 *
 * @param mayFail where there is another way: false is returned then, and nothing is shown
 * @param shown where its output goes: a stream, or 'failed' to show it only when it fails
 * @param during what it does, said now and again while it runs ("Compiling the engine")
 */
export async function run(
  command,
  args,
  { env = {}, shown = process.stderr, folder = ROOT, during, mayFail = false, ...rest } = {},
) {
  const kept = shown === 'failed';
  const child = spawn(command, args, {
    cwd: resolve(ROOT, folder),
    env: { ...process.env, ...env },
    stdio: kept ? ['ignore', 'pipe', 'pipe'] : ['inherit', shown, 'inherit'],
    ...rest,
  });
  const output = [];
  if (kept)
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => output.push(piece));
  const status = await withProgress(
    during,
    new Promise((done) => {
      child.once('error', (error) => {
        output.push(`${error.message}\n`);
        done(1);
      });
      child.once('close', (code) => done(code ?? 1));
    }),
  );
  if (status === 0 || mayFail) return status === 0;
  if (output.length) process.stderr.write(output.join(''));
  return die(`This failed: ${basename(command)} ${args.join(' ')}`, status);
}

const BETWEEN_WORDS_MS = 15_000;

/** Says what is going on at once, every quarter of a minute while it goes on, and how long it took. */
async function withProgress(what, work) {
  if (!what) return work;
  const begun = Date.now();
  const seconds = () => `${Math.round((Date.now() - begun) / 1000)} s`;
  say(`${what} ...`);
  const words = setInterval(() => say(`${what} ... ${seconds()}`), BETWEEN_WORDS_MS);
  const outcome = await work;
  clearInterval(words);
  say(`${what}: ${seconds()}`);
  return outcome;
}

/** Work that is begun by whoever asks first; all the others of this process get the same promise. */
export function once(work) {
  let begun = null;
  return () => (begun ??= work());
}

/** Runs a script under this Node.js. */
export const node = (args, options) => run(process.execPath, args, options);

/** Runs a tool that npm installed, by its file in node_modules. */
export const tool = (name, args, options) => node([at('node_modules', ...name.split('/')), ...args], options);

/**
 * Runs npm: by its script under this Node.js, since on Windows no program has the name "npm" (it is a batch file, which
 * Node.js does not spawn), and so that npm and its children run under the same Node.js as we do.
 */
export function npm(args, options) {
  const script = npmScript(process.env, process.execPath, existsSync);
  return script ? node([script, ...args], options) : run('npm', args, { shell: true, ...options });
}

/**
 * @param environment npm says in it where it is, when it started us
 * @param nodePath where the binary of Node.js is; npm comes beside it on Windows, under ../lib elsewhere
 * @returns npm's script, or null where it is in none of its usual places
 */
export function npmScript(environment, nodePath, exists) {
  const told = environment['npm_execpath'];
  const usual = ['node_modules', join('..', 'lib', 'node_modules')].map((modules) =>
    join(dirname(nodePath), modules, 'npm', 'bin', 'npm-cli.js'),
  );
  const places = told && basename(told) === 'npm-cli.js' ? [told, ...usual] : usual;
  return places.find(exists) ?? null;
}
