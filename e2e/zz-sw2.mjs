import { mkdtempSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { ownServer } from '../scripts/own-server.mjs';
const s = await ownServer(mkdtempSync('/tmp/look-'));
await fetch(`${s.address}/api/demo`, { method: 'POST' });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const c = await browser.newContext();
const page = await c.newPage();
const t0 = Date.now();
await page.goto(s.address + '/trips/gannet-rock-light');
const wait = +process.argv[2];
while (Date.now() - t0 < wait) {
await page.waitForTimeout(1000);
console.log(Date.now() - t0, JSON.stringify(await page.evaluate(async () => { const r = await navigator.serviceWorker.getRegistration();
const { assetGroups } = await (await fetch('/ngsw.json')).json();
const found = await Promise.all(assetGroups[0].urls.map((url) => caches.match(url, { ignoreVary: true })));
const k = await caches.keys(); const ctl = k.find(x=>x.includes('control')); const cc = ctl ? (await (await caches.open(ctl)).keys()).map(r=>r.url.slice(-20)) : [];
return [String(r?.active?.state), !!navigator.serviceWorker.controller, found.filter(Boolean).length, found.length, cc]; })));
}
await page.close(); await s.end();
const p3 = await c.newPage();
try { await p3.goto(s.address + '/trips/gannet-rock-light/field'); console.log('ok'); } catch (e) { console.log(e.message.slice(0,100)); }
await p3.waitForTimeout(3000);
try { await p3.goto(s.address + '/trips/gannet-rock-light/field'); console.log('ok'); } catch (e) { console.log(e.message.slice(0,100)); }
process.exit(0)
