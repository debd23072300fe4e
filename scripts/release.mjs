// npm run release: dist/knapsack-VERSION.tgz, which runs where it is unpacked, with Node.js and nothing else.
import { cpSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureServed } from './builds.mjs';
import { at, run, say } from './process.mjs';
import { productionPackages } from './production-packages.mjs';

/** The workspaces that run, and what of each goes along beside its package.json. */
const WORKSPACES = new Map([
  ['core', ['dist', 'reference']],
  ['contract', ['dist']],
  ['server', ['dist']],
  ['cli', ['dist']],
  ['demo', ['gear.json', 'trips', 'logs', 'season']],
]);
/** The engine for Node.js 20 has to be compiled, so a release, which brings no compiler, goes without. */
const LEFT_OUT = ['better-sqlite3-node20'];

/** What runs at no time: maps, types, sources and builds for browsers, the engine's own source text. */
const NEVER_RUN = [
  /\.(map|ts|mts|cts|tsbuildinfo|md|flow)$/i,
  /\/typeorm\/browser\//,
  /\/pdfmake\/(build|fonts)\//,
  /\/(pdfkit|fontkit)\/.*(standalone|browser)[^/]*$/,
  /\/better-sqlite3\/(deps|src)\//,
  /\/node-addon-api\//,
  /\.spec\.js$/,
  /\/dist\/testing\//,
  /\/(test|tests|__tests__|docs|example|examples|benchmark|benchmarks|coverage|\.github)\//,
];
const isRun = (path) => {
  const plain = path.replaceAll('\\', '/');
  return !NEVER_RUN.some((never) => never.test(plain) || never.test(`${plain}/`));
};

/** @returns the archive's path */
export async function makeRelease() {
  await ensureServed();
  const { version } = JSON.parse(readFileSync(at('package.json'), 'utf8'));
  const name = `knapsack-${version}`;
  const stage = at('dist', 'release', name);
  rmSync(at('dist', 'release'), { recursive: true, force: true });
  mkdirSync(stage, { recursive: true });

  for (const file of ['knapsack.mjs', 'README.md']) cpSync(at('release', file), join(stage, file));
  const engines = { node: '^22.14.0 || >=24.0.0' };
  writeFileSync(
    join(stage, 'package.json'),
    `${JSON.stringify({ name: 'knapsack', version, private: true, type: 'module', engines }, null, 2)}\n`,
  );
  cpSync(at('web/dist/browser'), join(stage, 'page'), { recursive: true });
  for (const part of WORKSPACES.get('demo'))
    cpSync(at('demo', part), join(stage, 'demo', part), { recursive: true });

  const lock = JSON.parse(readFileSync(at('package-lock.json'), 'utf8'));
  for (const folder of productionPackages(lock, [...WORKSPACES.keys()], LEFT_OUT)) copyPackage(folder, stage);

  const archive = at('dist', `${name}.tgz`);
  await run('tar', ['-czf', archive, '-C', at('dist', 'release'), name]);
  return archive;
}

/** A package to where Node.js finds it: workspaces by their names, what stands in a workspace's own folder below that. */
function copyPackage(folder, stage) {
  const [workspace, ...rest] = folder.split('/');
  const parts = WORKSPACES.get(workspace);
  const target = parts ? join(stage, 'node_modules', '@knapsack', workspace, ...rest) : join(stage, folder);
  const copied = parts && rest.length === 0 ? ['package.json', ...parts] : ['.'];
  for (const part of copied) {
    cpSync(at(folder, part), join(target, part), {
      recursive: true,
      filter: (path) => isRun(path) && (path === at(folder) || basename(path) !== 'node_modules'),
    });
  }
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  const archive = await makeRelease();
  say(`${archive}: ${(statSync(archive).size / 1e6).toFixed(1)} MB`);
}
