// npm test: everything that must hold before a change lands. Sets up a bare machine by itself.
import { ensureLibraries, ensureServed, NG_ENVIRONMENT } from './builds.mjs';
import { ensureChromium } from './chromium.mjs';
import { ensureEngine, ensureInstalled } from './install.mjs';
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
// Compiling keeps one core busy for two minutes on Node.js 20; what needs no database goes on beside it.
const engine = ensureEngine();
await step('type check and libraries', ensureLibraries);
// Two cores: what waits for nothing runs beside what takes long. What runs beside is shown only where it fails.
const beside = { shown: 'failed' };
await step('lint, units and hard days', () =>
  Promise.all([
    (async () => {
      await step('unit tests in Chromium', () =>
        node([at('node_modules/@angular/cli/bin/ng.js'), 'test', '--no-watch', '--no-progress'], {
          ...beside,
          env: NG_ENVIRONMENT,
          folder: 'web',
        }),
      );
      await step('lint', async () => {
        await tool('eslint/bin/eslint.js', ['.', '--max-warnings', '0'], beside);
        await tool('prettier/bin/prettier.cjs', ['--check', '.', '--log-level', 'warn'], beside);
      });
      await step('server and page', ensureServed);
      await step('the server killed, full, asked nonsense, left alone and backed up', async () => {
        await node([at('scripts/kills.mjs'), '4'], { shown });
        await node([at('scripts/disk-full.mjs'), '4'], { shown });
        await node([at('scripts/fuzz.mjs'), '600'], { shown });
        await node([at('scripts/cancelled.mjs'), '12'], { shown });
        await node([at('scripts/backup.mjs'), '40', '60'], { shown });
      });
      await step('the newest long-term Node.js', () => runMatrix([NEWEST_LONG_TERM], { shown }));
    })(),
    (async () => {
      await step('engine', () => engine);
      await step('unit tests under Node.js', () =>
        tool(
          'jasmine/bin/jasmine.js',
          [
            '--helper=scripts/spec-settings.mjs',
            '{core,contract,server,cli,demo,docs}/dist/**/*.spec.js',
            '{docs,scripts,web/src/styles}/**/*.spec.mjs',
          ],
          { shown },
        ),
      );
    })(),
  ]),
);
await step('end to end', async () => {
  await makeRelease();
  await tool('typescript/bin/tsc', ['--noEmit', '--project', 'e2e'], { shown });
  await tool('@playwright/test/cli.js', ['test', '--config', 'e2e/playwright.config.ts'], {
    shown,
    // A release runs on Node.js 22 and later, whatever runs this.
    env: { KNAPSACK_RELEASE_NODE: (await nodeOf(NEWEST_LONG_TERM)).binary },
  });
});
say('\nAll of it holds.');
