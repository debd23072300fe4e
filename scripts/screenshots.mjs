// npm run screenshots: one picture of each main view from the demo data, into docs/screenshots.
import { CHROMIUM, ensureChromium, ensureInstalled, ensureLibraries, ensureWeb, ROOT } from './setup.mjs';

ensureInstalled();
ensureChromium();
ensureLibraries();
ensureWeb();
process.env.CHROME_BIN ??= CHROMIUM;
const { takeAll } = await import(`${ROOT}/e2e/screenshots.mjs`);
await takeAll(`${ROOT}/docs/screenshots`);
process.exit(0);
