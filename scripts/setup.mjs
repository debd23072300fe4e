// Puts in place what a bare machine lacks, and says what it does. Everything here is cheap when nothing is missing.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync } from 'node:zlib';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const at = (...parts) => join(ROOT, ...parts);

/** Says something on standard error, so that the terminal tool's output stays clean. */
export const say = (text) => process.stderr.write(`${text}\n`);

export function die(sentence, code = 1) {
  say(sentence);
  process.exit(code);
}

/** Runs a command in the project's folder; its output goes to standard error unless told otherwise. Exits when it fails. */
export function run(command, args, { env = {}, quiet = false, shown = process.stderr, folder = '.' } = {}) {
  const result = spawnSync(command, args, {
    cwd: at(folder),
    env: { ...process.env, ...env },
    stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['inherit', shown, 'inherit'],
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  if (result.status === 0) return;
  if (quiet) say(`${result.stdout ?? ''}${result.stderr ?? ''}`);
  die(`This failed: ${command} ${args.join(' ')}`, result.status ?? 1);
}

/** A tool that npm installed, by its file in node_modules. */
export const tool = (name, args, options) =>
  run(process.execPath, [at('node_modules', ...name.split('/')), ...args], options);

const stampFile = at('node_modules', '.knapsack-stamp');
const hashOf = (file) => createHash('sha256').update(readFileSync(file)).digest('hex');

/** Installs the packages of the lock file unless they are there already. Native parts are compiled, never downloaded. */
export function ensureInstalled() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    die(`Knapsack needs Node.js 20.19 or later; this is ${process.version}.`);
  }
  const wanted = `${hashOf(at('package-lock.json'))} ${process.version}`;
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === wanted) return;
  say('Installing packages; the database engine is compiled, which takes some minutes ...');
  const headers = join(dirname(dirname(process.execPath)), 'include', 'node', 'node.h');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    env: {
      npm_config_build_from_source: 'true',
      ...(existsSync(headers) && { npm_config_nodedir: dirname(dirname(dirname(headers))) }),
    },
  });
  writeFileSync(stampFile, wanted);
}

/** Newest change below some folders, ms; build products and packages left out. */
function newest(paths) {
  let latest = 0;
  for (const path of paths) {
    const info = statSync(path);
    if (!info.isDirectory()) latest = Math.max(latest, info.mtimeMs);
    else {
      for (const name of readdirSync(path)) {
        if (name === 'dist' || name === 'node_modules' || name === '.angular') continue;
        latest = Math.max(latest, newest([join(path, name)]));
      }
    }
  }
  return latest;
}

/** Runs a build unless it is newer than everything it is made from. */
function ensureBuilt(name, sources, build) {
  const stamp = at('dist', `${name}.stamp`);
  const changed = newest([...sources, 'package-lock.json', 'tsconfig.base.json'].map((path) => at(path)));
  if (existsSync(stamp) && statSync(stamp).mtimeMs > changed) return;
  say(`Building ${name} ...`);
  const begun = new Date();
  build();
  mkdirSync(at('dist'), { recursive: true });
  writeFileSync(stamp, begun.toISOString());
}

const LIBRARIES = ['core', 'contract', 'server', 'cli', 'demo'];

/** Compiles everything that runs under Node.js, with its tests. */
export const ensureLibraries = () =>
  ensureBuilt('libraries', [...LIBRARIES, 'tsconfig.json'], () => tool('typescript/bin/tsc', ['--build']));

/** Builds the web application into web/dist, compressed once here rather than at each request. */
export const ensureWeb = () =>
  ensureBuilt('web', ['core', 'contract', 'web'], () => {
    run(process.execPath, [at('node_modules/@angular/cli/bin/ng.js'), 'build'], {
      env: NG_ENVIRONMENT,
      folder: 'web',
    });
    compressFolder(at('web/dist/browser'));
  });

/** Writes a Brotli twin beside each text file of a folder. */
function compressFolder(folder) {
  for (const name of readdirSync(folder)) {
    if (/\.(js|css|svg)$/.test(name)) {
      writeFileSync(join(folder, `${name}.br`), brotliCompressSync(readFileSync(join(folder, name))));
    }
  }
}

/** Angular's own tools must not ask questions or look for the network. */
export const NG_ENVIRONMENT = { NG_CLI_ANALYTICS: 'false' };

export const CHROMIUM = process.env.CHROME_BIN ?? '/usr/bin/chromium';

/** Installs Debian's Chromium for the browser tests where it is missing and this is root on Debian. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  const aptGet = '/usr/bin/apt-get';
  if (process.getuid?.() !== 0 || !existsSync(aptGet)) {
    die(
      `The browser tests need Chromium at ${CHROMIUM}. Install it ("sudo apt-get install chromium" on Debian), or name yours with CHROME_BIN.`,
    );
  }
  say('Installing Chromium for the browser tests ...');
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  run(aptGet, ['update'], { quiet: true, env });
  run(aptGet, ['install', '-y', '--no-install-recommends', 'chromium'], { quiet: true, env });
}
