import { mkdtempSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { ownServer } from '../scripts/own-server.mjs';
const s = await ownServer(mkdtempSync('/tmp/look-'));
await fetch(`${s.address}/api/demo`, { method: 'POST' });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const c = await browser.newContext();
c.on('serviceworker', w => console.log('sw', w.url()));
const page = await c.newPage();
page.on('console', (m) => console.log('console', m.type(), m.text()));
await page.goto(s.address + '/trips/gannet-rock-light');
await page.waitForFunction(async () => (await caches.keys()).length > 4, undefined, {polling: 300});await page.waitForTimeout(1500);
console.log(await page.evaluate(async () => { const r = await navigator.serviceWorker.getRegistration(); return [String(r?.active?.state), await caches.keys()]; }));
const p2 = await c.newPage();
await p2.goto(s.address + '/ngsw/state'); console.log((await p2.textContent('body')).slice(0, 1500));
await p2.close(); await page.close(); await s.end();
for (const mode of ['plain','clock','cpu']) {
const p3 = await c.newPage();
p3.on('console', (m) => console.log('console', m.type(), m.text()));
if (mode === 'cpu') { const k = await c.newCDPSession(p3); await k.send('Emulation.setCPUThrottlingRate', { rate: 4 }); }
if (mode !== 'plain') await p3.clock.setFixedTime(new Date('2027-09-05T02:00:00+02:00'));
try { const t=Date.now(); await p3.goto(s.address + '/trips/gannet-rock-light/field'); await p3.waitForTimeout(4000);
console.log(mode, Date.now()-t, (await p3.textContent('main')).slice(0,300)); } catch (e) { console.log(mode, e.message.slice(0,200)); }
await p3.close();
}
process.exit(0)
