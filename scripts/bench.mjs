// npm run bench: the speed of the march, chances and searches, the API and the page, as one table.
import { ensureServed } from './builds.mjs';
import { ensureChromium } from './chromium.mjs';
import { load } from './process.mjs';

await ensureServed();
await ensureChromium();

const rows = [];
for (const part of ['march', 'field', 'size', 'wire', 'api', 'page', 'field-page', 'logbook-page']) {
  const { measure } = await load(`e2e/bench/${part}.mjs`);
  rows.push(...(await measure()));
}
const width = Math.max(...rows.map(({ what }) => what.length));
for (const { what, value, unit, target } of rows) {
  const shown = value < 10 ? value.toFixed(2) : value.toFixed(0);
  const wanted = target === undefined ? '' : `  (${value <= target ? 'within' : 'OVER'} ${target} ${unit})`;
  console.log(`${what.padEnd(width)}  ${shown.padStart(8)} ${unit}${wanted}`);
}
process.exit(0);
