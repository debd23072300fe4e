// Puts the packages in place. Everything here is cheap when nothing is missing.
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { alone } from './alone.mjs';
import { at, die, npm, once } from './process.mjs';

const [major, minor] = process.versions.node.split('.').map(Number);

/** The one engine that has to be compiled; server/src/database/sqlite-engine.ts says for whom and why. */
const COMPILED_ENGINE = 'better-sqlite3-node20';
const needsCompiler = major === 20;

const stampFile = at('node_modules', '.knapsack-stamp');
const engineStampFile = at('node_modules', COMPILED_ENGINE, '.knapsack-stamp');
const says = (file, text) => existsSync(file) && readFileSync(file, 'utf8') === text;

/** Installs the packages of the lock file unless they are there already. No package's own script runs (.npmrc says so as well). */
export async function ensureInstalled() {
  if (major < 20 || (major === 20 && minor < 19) || major === 21 || (major === 22 && minor < 14)) {
    die(
      `Knapsack needs Node.js 20.19 or later in its line, 22.14 or later, 24 or 26; this is ${process.version}.`,
    );
  }
  const wanted = createHash('sha256')
    .update(readFileSync(at('package-lock.json')))
    .digest('hex');
  if (says(stampFile, wanted)) return;
  await alone('packages', async () => {
    if (says(stampFile, wanted)) return;
    rmSync(stampFile, { force: true });
    await npm(['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], {
      during: 'Installing packages',
    });
    writeFileSync(stampFile, wanted);
  });
}

/**
 * Compiles the database engine on Node.js 20; later ones have theirs inside the package. Takes a minute and a compiler.
 * Whoever asks meanwhile waits for the same work: two compilations in one folder take each other's files away.
 */
export const ensureEngine = once(async () => {
  if (!needsCompiler || says(engineStampFile, process.version)) return;
  await alone('engine', compileEngine);
});

async function compileEngine() {
  if (says(engineStampFile, process.version)) return;
  const headers = dirname(dirname(process.execPath));
  await npm(['rebuild', COMPILED_ENGINE, '--ignore-scripts=false', '--loglevel=error'], {
    during: 'Compiling the database engine (on Node.js 20 alone, about a minute)',
    shown: 'failed',
    env: {
      npm_config_build_from_source: 'true',
      // Half the time of the package's own -O3, for an engine that is as fast within 5 %. The last of two flags holds.
      CFLAGS: `${process.env.CFLAGS ?? ''} -O1`,
      CXXFLAGS: `${process.env.CXXFLAGS ?? ''} -O1`,
      ...(existsSync(join(headers, 'include', 'node', 'node.h')) && { npm_config_nodedir: headers }),
    },
  });
  writeFileSync(engineStampFile, process.version);
}
