// The browser of the tests: where it is on each platform, and Debian's package where it may be installed.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { die, run } from './process.mjs';

const USUAL = {
  linux: ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome', '/snap/bin/chromium'],
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
  if (!findChromium()) await installChromium();
  process.env.CHROME_BIN = findChromium();
}

async function installChromium() {
  if (process.getuid?.() !== 0 || !existsSync(APT_GET)) {
    die(
      'The browser tests need Chromium, and none is in its usual place. Install it (on Debian: sudo apt-get install chromium), or name yours with CHROME_BIN.',
    );
  }
  const options = { shown: 'failed', env: { DEBIAN_FRONTEND: 'noninteractive' } };
  await run(APT_GET, ['update'], options);
  await run(APT_GET, ['install', '-y', '--no-install-recommends', 'chromium'], {
    ...options,
    during: 'Installing Chromium for the browser tests',
  });
}
