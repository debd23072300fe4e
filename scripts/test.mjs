// npm test: everything that must hold before a change lands. Sets up a bare machine by itself.
import { ensureLibraries, ensureServed, NG_ENVIRONMENT } from './builds.mjs';
import { ensureChromium } from './chromium.mjs';
import { ensureEngine, ensureInstalled } from './install.mjs';
import { inLanes } from './lanes.mjs';
import { runMatrix } from './matrix.mjs';
import { NEWEST_LONG_TERM, nodeOf } from './node-versions.mjs';
import { at, node, say, tool } from './process.mjs';
import { makeRelease } from './release.mjs';

const shown = process.stdout;
const step = async (name, work) => {
  const begun = Date.now();
  say(`\n== ${name}`);
  await work();
  say(`== ${name}: ${((Date.now() - begun) / 1000).toFixed(0)} s`);
};

await step('setting up', async () => {
  await ensureInstalled();
  await ensureChromium();
});
// Compiling keeps one core busy for a minute on Node.js 20; what needs no database goes on beside it.
const engine = ensureEngine();
await step('type check and libraries', ensureLibraries);
// What runs beside is shown only where it fails.
const beside = { shown: 'failed' };
const specs = (...files) =>
  tool('jasmine/bin/jasmine.js', ['--helper=scripts/spec-settings.mjs', ...files], { shown });
await step('lint, units and hard days', () =>
  // The longest first: two cores are done together where what is left for the end is short.
  inLanes(
    2,
    [
      { name: 'units of the core', work: () => specs('core/dist/**/*.spec.js') },
      {
        name: 'units in Chromium',
        work: () =>
          node([at('node_modules/@angular/cli/bin/ng.js'), 'test', '--no-watch', '--no-progress'], {
            ...beside,
            env: NG_ENVIRONMENT,
            folder: 'web',
          }),
      },
      { name: 'units of the contract', work: () => specs('contract/dist/**/*.spec.js') },
      {
        name: 'lint',
        work: async () => {
          await tool('eslint/bin/eslint.js', ['.', '--max-warnings', '0'], beside);
          await tool('prettier/bin/prettier.cjs', ['--check', '.', '--log-level', 'warn'], beside);
        },
      },
      { name: 'server and page', work: ensureServed },
      {
        name: 'the newest long-term Node.js',
        after: ['server and page'],
        work: async () => {
          await engine;
          await runMatrix([NEWEST_LONG_TERM], { shown });
        },
      },
      {
        name: 'units of the rest',
        work: async () => {
          await engine;
          await specs(
            '{server,cli,demo,docs}/dist/**/*.spec.js',
            '{docs,scripts,web/src/styles}/**/*.spec.mjs',
          );
        },
      },
      {
        name: 'what end to end needs',
        after: ['server and page'],
        work: async () => {
          await makeRelease();
          await tool('typescript/bin/tsc', ['--noEmit', '--project', 'e2e'], { shown });
        },
      },
      {
        name: 'the server killed, full, asked nonsense, left alone and backed up',
        after: ['server and page'],
        work: async () => {
          await node([at('scripts/kills.mjs'), '4'], { shown });
          await node([at('scripts/disk-full.mjs'), '4'], { shown });
          await node([at('scripts/fuzz.mjs'), '600'], { shown });
          await node([at('scripts/cancelled.mjs'), '12'], { shown });
          await node([at('scripts/backup.mjs'), '40', '60'], { shown });
        },
      },
    ].map((task) => ({ ...task, work: () => step(task.name, task.work) })),
  ),
);
await step('end to end', async () => {
  await tool('@playwright/test/cli.js', ['test', '--config', 'e2e/playwright.config.ts'], {
    shown,
    // A release runs on Node.js 22 and later, whatever runs this.
    env: { KNAPSACK_RELEASE_NODE: (await nodeOf(NEWEST_LONG_TERM)).binary },
  });
});
say('\nAll of it holds.');
