import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { start } from '@knapsack/server';
import { launchChromium } from '../chromium.mjs';
import { longTrip, dragTimes } from './page.mjs';
const dataFolder = mkdtempSync(join(tmpdir(), 'k-'));
const running = await start({ dataFolder, port: 0, webFolder: '/tmp/devdist/browser', demoFolder: '/tmp/dev/demo', withDemo: true });
const browser = await launchChromium();
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
await longTrip(running.address, 'long', 2);
await page.goto(`${running.address}/trips/long`);
await page.waitForFunction(() => performance.getEntriesByName('ridge-drawn').length > 0);
await page.waitForTimeout(2000);
await page.evaluate(() => {
  window.sizes = [];
  const seen = (el, what) => new ResizeObserver(() => { const r = el.getBoundingClientRect(); window.sizes.push(`${what} ${r.width.toFixed(1)}x${r.height.toFixed(1)} @${r.top.toFixed(1)}`); }).observe(el);
  seen(document.querySelector('ks-ridge .ridge'), 'ridge'); seen(document.querySelector('ks-work-lane, .work-lane'), 'work'); seen(document.querySelector('.verdict'), 'verdict');
  seen(document.querySelector('.sky-lane'),'sky');
  window.calls = {};
  for (const [o, n] of [[Element.prototype, 'getBoundingClientRect'], [window, 'getComputedStyle'], [Storage.prototype, 'setItem'], [Worker.prototype, 'postMessage']]) { const f = o[n]; o[n] = function (...a) { window.calls[n] = (window.calls[n] ?? 0) + 1; if (n==='getBoundingClientRect'||n==='getComputedStyle') { const s=new Error().stack.split('\n').slice(2,4).map(x=>x.trim().split(' ')[1]).join('<'); window.calls[s]=(window.calls[s]??0)+1; } return f.apply(this, a); }; }
});
const d = await dragTimes(page);
console.log(d.length, await page.evaluate(() => window.sizes.slice(0, 60)), await page.evaluate(() => window.calls));
await browser.close(); await running.close(); rmSync(dataFolder, { recursive: true, force: true }); process.exit(0);
