// Field in headless Chromium: from an entry to the new sentence, and how long the page stands still meanwhile.
import { launchChromium } from '../chromium.mjs';
import { served } from './served.mjs';
import { median } from './times.mjs';

const ENTRIES = 12;

/** Milliseconds from the press of Keep to the first sentence with it, to the full one, and the longest task of the page meanwhile. */
async function entryTimes(page, volts) {
  await page.getByLabel('Reading, V').fill(volts);
  return page.evaluate(
    () =>
      new Promise((done) => {
        const sentence = () => document.querySelector('.field-sentence');
        let longest = 0;
        const tasks = new PerformanceObserver((list) => {
          for (const { duration } of list.getEntries()) longest = Math.max(longest, duration);
        });
        tasks.observe({ entryTypes: ['longtask'] });
        const begun = performance.now();
        let first = 0;
        const look = () => {
          const isRough = sentence().classList.contains('rough');
          if (isRough && first === 0) first = performance.now() - begun;
          if (first > 0 && !isRough) {
            tasks.disconnect();
            return done({ first, full: performance.now() - begun, longest });
          }
          requestAnimationFrame(look);
        };
        [...document.querySelectorAll('.field-form button')]
          .find(({ textContent }) => textContent.trim() === 'Keep')
          .click();
        requestAnimationFrame(look);
      }),
  );
}

export const measure = () =>
  served(async (address) => {
    const browser = await launchChromium();
    try {
      const context = await browser.newContext({
        locale: 'en-IE',
        timezoneId: 'Europe/Oslo',
        serviceWorkers: 'block',
      });
      const page = await context.newPage();
      await page.clock.setFixedTime(new Date('2027-09-05T02:00:00+02:00'));
      await page.goto(`${address}/trips/gannet-rock-light/field`);
      await page.locator('.field-sentence:not(.rough) b').first().waitFor();
      const times = [];
      for (let index = 0; index < ENTRIES; index++) times.push(await entryTimes(page, `13.${index % 3}`));
      const of = (name) => times.map((each) => each[name]);
      return [
        {
          what: 'Field: from an entry to the new sentence, median',
          value: median(of('first')),
          unit: 'ms',
          target: 500,
        },
        { what: 'Field: from an entry to the full answer, median', value: median(of('full')), unit: 'ms' },
        {
          what: 'Field: longest the page stood still meanwhile',
          value: Math.max(...of('longest')),
          unit: 'ms',
          target: 100,
        },
      ];
    } finally {
      await browser.close();
    }
  });
