import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';

export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  // Each test starts a server of its own on a fresh file, so they may run side by side.
  fullyParallel: true,
  workers: 2,
  // No second try: a flake is a defect, in the test or in what it tests.
  retries: 0,
  // Shared machines have slow minutes; a wait that is met costs nothing.
  timeout: 90_000,
  expect: { timeout: 20_000 },
  reporter: [['line'], ['./page-reporter.ts']],
  outputDir: '../test-results',
  use: {
    // Each test meets the server itself; what stays on the device has tests of its own.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Oslo',
    // Metric, 24 hours and euro, as the pictures are; other habits have tests of their own.
    locale: 'en-IE',
    // Dialogs stand where they will stay from the first frame: a press never meets one that still slides.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: CHROMIUM,
    // Records everything that is done, for a twelfth of the time more: asked for where a failure is looked into (--trace on).
    trace: 'off',
  },
});
