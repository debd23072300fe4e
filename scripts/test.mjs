// npm test: everything that must hold before a change lands. Sets up a bare machine by itself.
import {
  CHROMIUM,
  ensureChromium,
  ensureInstalled,
  ensureLibraries,
  ensureWeb,
  NG_ENVIRONMENT,
  ROOT,
  run,
  say,
  tool,
} from './setup.mjs';

const shown = process.stdout;
const step = (name, work) => {
  const begun = Date.now();
  say(`\n== ${name}`);
  work();
  say(`== ${name}: ${((Date.now() - begun) / 1000).toFixed(0)} s`);
};
const CHROME = { CHROME_BIN: CHROMIUM };

step('setting up', () => {
  ensureInstalled();
  ensureChromium();
});
step('lint', () => {
  tool('eslint/bin/eslint.js', ['.', '--max-warnings', '0'], { shown });
  tool('prettier/bin/prettier.cjs', ['--check', '.', '--log-level', 'warn'], { shown });
});
step('type check and libraries', ensureLibraries);
step('unit tests under Node.js', () => {
  tool(
    'jasmine/bin/jasmine.js',
    [
      '--helper=scripts/property-seed.mjs',
      '{core,contract,server,cli,demo,docs}/dist/**/*.spec.js',
      'docs/**/*.spec.mjs',
    ],
    { shown },
  );
});
step('unit tests in Chromium', () => {
  run(
    process.execPath,
    [`${ROOT}/node_modules/@angular/cli/bin/ng.js`, 'test', '--no-watch', '--no-progress'],
    {
      shown,
      env: { ...NG_ENVIRONMENT, ...CHROME },
      folder: 'web',
    },
  );
});
step('web application', ensureWeb);
step('end to end', () => {
  tool('typescript/bin/tsc', ['--noEmit', '--project', 'e2e'], { shown });
  tool('@playwright/test/cli.js', ['test', '--config', 'e2e/playwright.config.ts'], { shown, env: CHROME });
});
say('\nAll of it holds.');
