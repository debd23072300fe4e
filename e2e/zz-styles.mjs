import { mkdtempSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { ownServer } from '../scripts/own-server.mjs';
const s = await ownServer(mkdtempSync('/tmp/look-'));
await fetch(`${s.address}/api/demo`, { method: 'POST' });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage();
const all = new Map();
for (const p of ['/', '/trips/gannet-rock-light', '/trips/gannet-rock-light/size', '/trips/gannet-rock-light/wire','/trips/gannet-rock-light/pack','/trips/gannet-rock-light/card','/trips/gannet-rock-light/field','/trips/gannet-rock-light/rehearse','/gear','/bench','/begin','/settings','/guide/begin','/sum','/backup']) {
  await page.goto(s.address + p); await page.waitForTimeout(1500);
  if (p === '/') await page.keyboard.press('?');
  await page.waitForTimeout(300);
  for (const t of await page.evaluate(() => [...document.querySelectorAll('style')].map((x) => x.textContent))) all.set(t, p);
}
for (const [t, p] of all) console.log(p, JSON.stringify(t.slice(0, 200)), t.length);
process.exit(0)
