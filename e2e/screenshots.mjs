import { launchChromium } from './chromium.mjs';
import { served } from './bench/served.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const PLAN = '/trips/gannet-rock-light';

const SHOTS = [
  { name: 'trips', path: '/' },
  { name: 'quick-sum', path: '/sum' },
  { name: 'plan', path: PLAN },
  { name: 'plan-sum', path: PLAN, act: (page) => page.locator('[data-unfolds="margin"]').click() },
  {
    name: 'plan-too-soon',
    path: '/trips/headland-contest-camp',
    act: (page) => page.locator('[data-block="b2"]').click(),
  },
  { name: 'plan-glare', path: PLAN, theme: 'glare' },
  { name: 'plan-ember', path: PLAN, theme: 'ember' },
  { name: 'plan-phone', path: PLAN, size: PHONE },
];

/** Takes every shot into a folder. */
export const takeAll = (folder) =>
  served(async (address) => {
    const browser = await launchChromium();
    for (const { name, path, act, theme = 'paper', size = DESK } of SHOTS) {
      const context = await browser.newContext({
        viewport: size,
        timezoneId: 'Europe/Oslo',
        hasTouch: size === PHONE,
      });
      const page = await context.newPage();
      await page.addInitScript((chosen) => localStorage.setItem('knapsack.theme', chosen), theme);
      await page.goto(address + path);
      await page.locator('.verdict .sentence .unfold, .trips a, .answer').first().waitFor();
      await act?.(page);
      await page.waitForTimeout(500);
      await page.screenshot({ path: `${folder}/${name}.png` });
      await context.close();
    }
    await browser.close();
  });
