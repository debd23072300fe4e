// The browser of the tests: where it is on each platform, and Debian's package where it may be installed.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { die, run } from './process.mjs';

/**
 * Debian's Chromium without windows: no test needs them, and each takes a third longer with them. The program itself: the one of that
 * name in /usr/bin is a shell that starts it and, where it is ended, leaves it running.
 */
const WITHOUT_WINDOWS = '/usr/lib/chromium/chromium-headless-shell';

const USUAL = {
  linux: [
    WITHOUT_WINDOWS,
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/usr/bin/google-chrome',
    '/snap/bin/chromium',
  ],
  darwin: ['Chromium', 'Google Chrome'].map((name) => `/Applications/${name}.app/Contents/MacOS/${name}`),
  win32: ['ProgramFiles', 'ProgramFiles(x86)', 'LocalAppData']
    .map((name) => process.env[name])
    .filter(Boolean)
    .flatMap((folder) => [
      join(folder, 'Chromium', 'Application', 'chrome.exe'),
      join(folder, 'Google', 'Chrome', 'Application', 'chrome.exe'),
      join(folder, 'Microsoft', 'Edge', 'Application', 'msedge.exe'),
    ]),
};

/** The browser that CHROME_BIN names, else the first that is in a usual place, or null. */
export const findChromium = () =>
  process.env.CHROME_BIN ?? USUAL[process.platform]?.find((path) => existsSync(path)) ?? null;

const APT_GET = '/usr/bin/apt-get';

/** Makes sure of a browser and names it in CHROME_BIN for all that needs one. */
export async function ensureChromium() {
  if (!process.env.CHROME_BIN && !existsSync(WITHOUT_WINDOWS) && mayInstall()) await installChromium();
  process.env.CHROME_BIN =
    findChromium() ??
    die(
      'The browser tests need Chromium, and none is in its usual place. Install it (on Debian: sudo apt-get install chromium-headless-shell), or name yours with CHROME_BIN.',
    );
}

const mayInstall = () => process.getuid?.() === 0 && existsSync(APT_GET);

async function installChromium() {
  const options = { shown: 'failed', env: { DEBIAN_FRONTEND: 'noninteractive' } };
  const install = (name, mayFail) =>
    run(APT_GET, ['install', '-y', '--no-install-recommends', name], {
      ...options,
      mayFail,
      during: 'Installing Chromium for the browser tests',
    });
  await run(APT_GET, ['update'], { ...options, mayFail: true });
  // Where a release of Debian has no such package, one with windows does too.
  if ((await install('chromium-headless-shell', true)) || findChromium()) return;
  await install('chromium', false);
}
