import { chromium } from '@playwright/test';
import { findChromium } from '../scripts/chromium.mjs';

/** Debian's Chromium without a sandbox, a GPU or a network to look for. */
export const CHROMIUM = {
  executablePath: findChromium() ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export const launchChromium = () => chromium.launch(CHROMIUM);
