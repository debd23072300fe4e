// npm run screenshots [-- names]: one picture of each main view from the demo data, into docs/screenshots.
import { ensureServed } from './builds.mjs';
import { ensureChromium } from './chromium.mjs';
import { at, load } from './process.mjs';

await ensureServed();
await ensureChromium();
const { takeAll } = await load('e2e/screenshots.mjs');
await takeAll(at('docs/screenshots'), process.argv.slice(2));
process.exit(0);
