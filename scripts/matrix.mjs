// npm run matrix: the specs and the server under every Node.js that people have, as a table. A line or more may be named.
import { pathToFileURL } from 'node:url';
import { ensureLibraries, ensureServed } from './builds.mjs';
import { at, die, run } from './process.mjs';
import { LINES, nodeOf } from './node-versions.mjs';

const SPECS = [
  at('node_modules/jasmine/bin/jasmine.js'),
  '--reporter=scripts/quiet-reporter.mjs',
  '--helper=scripts/spec-settings.mjs',
  // What stands on Node.js itself, or on its clocks, zones and words; arithmetic no Node.js does otherwise.
  'server/dist/**/*.spec.js',
  // Of the terminal what reads, writes and copies the data folder: how it prints what the contract says is no matter of Node.js.
  'cli/dist/data-commands.spec.js',
  'contract/dist/{documents,formats,schemas}/**/*.spec.js',
  // Laws over many made-up documents say nothing more on another Node.js.
  '!**/*.long.spec.js',
];
/** The laws have been tried on their cases already; here it is Node.js that is tried. */
const FEWER_CASES = { PROPERTY_RUNS: '5' };
/** Little room for young and for old objects, so that garbage is collected all the time. */
const SOAK = ['--max-semi-space-size=1', '--max-old-space-size=128', at('scripts/soak.mjs')];

/** @param lines of Node.js, such as "24" */
export async function runMatrix(lines, { shown = process.stderr } = {}) {
  const rows = [];
  for (const line of lines) {
    const { binary, version } = await nodeOf(line);
    const seconds = async (args) => {
      const begun = Date.now();
      await run(binary, args, { shown, env: FEWER_CASES });
      return (Date.now() - begun) / 1000;
    };
    rows.push({ version, specs: await seconds(SPECS), soak: await seconds(SOAK) });
  }
  shown.write('Node.js      specs    server\n');
  for (const { version, specs, soak } of rows) {
    shown.write(
      `${version.padEnd(11)}  ${specs.toFixed(0).padStart(3)} s    ${soak.toFixed(0).padStart(3)} s\n`,
    );
  }
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  const lines = process.argv.slice(2);
  const unknown = lines.find((line) => !LINES.includes(line));
  if (unknown) die(`The matrix knows the lines ${LINES.join(', ')} of Node.js, not “${unknown}”.`, 2);
  await ensureServed();
  await ensureLibraries();
  await runMatrix(lines.length ? lines : LINES);
}
