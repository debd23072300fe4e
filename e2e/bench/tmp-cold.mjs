import { mkdtempSync, cpSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { start } from '@knapsack/server';
import { launchChromium } from '../chromium.mjs';
import { median } from './times.mjs';
const folders = { now: '/tmp/dev/web/dist/browser', without: '/tmp/nopre', before: '/work/main/web/dist/browser' };
rmSync('/tmp/nopre', { recursive: true, force: true }); cpSync(folders.now, folders.without, { recursive: true }); rmSync('/tmp/nopre/preloads.json');
const out = {};
const servers = {};
for (const [k, f] of Object.entries(folders)) servers[k] = await start({ dataFolder: mkdtempSync(join(tmpdir(), 'k-')), port: 0, webFolder: f, demoFolder: '/tmp/dev/demo', withDemo: true });
const browser = await launchChromium();
for (let i = 0; i < 9; i++) for (const k of Object.keys(folders)) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  page.on('console', m => i === 0 && console.log(k, m.type(), m.text()));
  await page.goto(`${servers[k].address}/trips/gannet-rock-light`);
  await page.waitForFunction(() => performance.getEntriesByName('ridge-drawn').length > 0);
  (out[k] ??= []).push(await page.evaluate(() => performance.getEntriesByName('ridge-drawn')[0].startTime));
  if (i === 8) console.log(k, await page.evaluate(() => performance.getEntriesByType('resource').map(r => `${r.startTime.toFixed(0)}-${r.responseEnd.toFixed(0)} ${r.initiatorType} ${(r.encodedBodySize / 1000).toFixed(0)} ${r.name.split('/').slice(3).join('/')}`).join('\n')));
  await page.context().close();
}
for (const [k, v] of Object.entries(out)) console.log(k, median(v).toFixed(0), v.map(x => x.toFixed(0)).join(' '));
process.exit(0);
