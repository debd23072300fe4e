// Builds what is older than what it is made from.
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress } from 'node:zlib';
import { alone } from './alone.mjs';
import { ensureEngine, ensureInstalled } from './install.mjs';
import { at, node, tool } from './process.mjs';

/** Newest change below some paths, ms; build products and packages left out. */
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
async function ensureBuilt(name, sources, build) {
  const stamp = at('dist', `${name}.stamp`);
  const changed = newest([...sources, 'package-lock.json', 'tsconfig.base.json'].map((path) => at(path)));
  const isBuilt = () => existsSync(stamp) && statSync(stamp).mtimeMs > changed;
  if (isBuilt()) return;
  await alone(name.replaceAll(' ', '-'), async () => {
    // Another command may have built it meanwhile.
    if (isBuilt()) return;
    const begun = new Date();
    await build(`Building ${name}`);
    mkdirSync(at('dist'), { recursive: true });
    writeFileSync(stamp, begun.toISOString());
    // A source that was saved while the build ran is newer than what was built.
    utimesSync(stamp, begun, begun);
  });
}

const compile = (name, projects, sources) =>
  ensureBuilt(name, sources, (during) => tool('typescript/bin/tsc', ['--build', ...projects], { during }));

const ensureModel = () => compile('the model', ['core', 'contract'], ['core', 'contract']);
const ensureServer = () => compile('the server', ['server', 'cli'], ['core', 'contract', 'server', 'cli']);

/** What is done to the page after its build. */
const FINISHING = ['finish-page', 'merge', 'pages', 'preload'].map((name) => `scripts/${name}.mjs`);

/** Builds the web application into web/dist, compressed once here rather than at each request. */
const ensurePage = () =>
  ensureBuilt(
    'the page',
    ['core', 'contract', 'web', 'docs/guide', 'docs/screenshots', ...FINISHING],
    async (during) => {
      await node([at('node_modules/@angular/cli/bin/ng.js'), 'build', '--progress=false', '--stats-json'], {
        env: NG_ENVIRONMENT,
        folder: 'web',
        shown: 'failed',
        during,
      });
      // Pictures of the guide, which are those of the README.
      cpSync(at('docs/screenshots'), at('web/dist/browser/guide-pictures'), { recursive: true });
      // Asked for here: its packages may only just have been installed.
      const { finishPage } = await import('./finish-page.mjs');
      await finishPage(at('web'));
      await compressFolder(at('web/dist/browser'));
    },
  );

/** Writes a Brotli twin beside each text file of a folder, on all cores. */
const compressFolder = (folder) =>
  Promise.all(
    readdirSync(folder)
      .filter((name) => /\.(js|css|svg)$/.test(name))
      .map(async (name) => {
        const compressed = await promisify(brotliCompress)(readFileSync(join(folder, name)));
        writeFileSync(join(folder, `${name}.br`), compressed);
      }),
  );

/** Angular's own tools must not ask questions or look for the network. */
export const NG_ENVIRONMENT = { NG_CLI_ANALYTICS: 'false' };

/** All that the terminal tool runs on. */
export async function ensureTool() {
  await ensureInstalled();
  await ensureModel();
  await Promise.all([ensureServer(), ensureEngine()]);
}

/** All that is served, and no test of it: what does not wait for another part is made at the same time. */
export async function ensureServed() {
  await ensureInstalled();
  const engine = ensureEngine();
  await ensureModel();
  await Promise.all([engine, ensureServer(), ensurePage()]);
}

/** Compiles everything that runs under Node.js, with its tests. */
export const ensureLibraries = () =>
  compile(
    'the libraries and their tests',
    [],
    ['core', 'contract', 'server', 'cli', 'demo', 'tsconfig.json'],
  );
