import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { start } from '@knapsack/server';
import { launchChromium } from '../chromium.mjs';
const running = await start({ dataFolder: mkdtempSync(join(tmpdir(), 'k-')), port: 0, webFolder: '/tmp/dev/web/dist/browser', demoFolder: '/tmp/dev/demo', withDemo: true });
const browser = await launchChromium();
for (const [w, h] of [[390, 844]]) {
  const page = await (await browser.newContext({ viewport: { width: w, height: h } })).newPage();
  page.on('console', m => console.log(w, m.type(), m.text().slice(0, 200)));
  await page.goto(`${running.address}/trips/gannet-rock-light`);
  await page.waitForFunction(() => performance.getEntriesByName('ridge-drawn').length > 0);
  await page.waitForTimeout(2500);
  await page.locator('[data-block="b3"]').focus(); await page.keyboard.press(']'); await page.waitForTimeout(3000);
  await page.screenshot({ path: `/tmp/plan${w}.png` });
  await page.waitForTimeout(6000);
}
await browser.close(); process.exit(0);
