// The page in headless Chromium: weight of the first routes, time to the first ridge, drag to redrawn ridge.
import { launchChromium } from '../chromium.mjs';
import { median, p95 } from './times.mjs';
import { served } from './served.mjs';

const COLD_RUNS = 5;

/** Compressed script that the page has fetched so far, kB (1000 bytes). */
const scriptWeight = (page) =>
  page.evaluate(
    () =>
      performance
        .getEntriesByType('resource')
        .filter(({ name }) => /\.js($|\?)/.test(name))
        .reduce((sum, entry) => sum + entry.encodedBodySize, 0) / 1000,
  );

const ridgeDrawn = (page) =>
  page.waitForFunction(() => performance.getEntriesByName('ridge-drawn').length > 0);

/** Milliseconds from each pointer move that changed the block to the ridge drawn from the new forecast. */
async function dragTimes(page) {
  await page.evaluate(() => {
    window.moves = [];
    let label = '';
    const night = document.querySelector('[data-block="b3"]');
    document.addEventListener(
      'pointermove',
      (event) => {
        // After the page's own handlers: did this move change the block?
        queueMicrotask(() =>
          setTimeout(() => {
            const now = night.getAttribute('aria-label');
            if (now !== label) window.moves.push(event.timeStamp);
            label = now;
          }),
        );
      },
      true,
    );
  });
  const box = await page.locator('[data-block="b3"]').boundingBox();
  const y = box.y + box.height / 2;
  await page.mouse.move(box.x + box.width / 2, y);
  await page.mouse.down();
  for (let step = 1; step <= 60; step++) {
    await page.mouse.move(box.x + box.width / 2 + (step % 20) * 7 - 60, y);
    await page.waitForTimeout(60);
  }
  await page.mouse.up();
  return page.evaluate(() => {
    const drawn = performance.getEntriesByName('ridge-drawn').map(({ startTime }) => startTime);
    return window.moves.slice(1).flatMap((at) => {
      const next = drawn.find((time) => time > at);
      return next === undefined ? [] : [next - at];
    });
  });
}

export const measure = () =>
  served(async (address) => {
    const browser = await launchChromium();
    try {
      const fresh = async () =>
        (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
      const trips = await fresh();
      await trips.goto(address);
      await trips.getByRole('link', { name: 'Winter bothy' }).waitFor();
      const firstRoute = await scriptWeight(trips);

      const cold = [];
      let page;
      for (let run = 0; run < COLD_RUNS; run++) {
        page = await fresh();
        await page.goto(`${address}/trips/gannet-rock-light`);
        await ridgeDrawn(page);
        cold.push(await page.evaluate(() => performance.getEntriesByName('ridge-drawn')[0].startTime));
      }
      const planRoute = await scriptWeight(page);
      const drags = await dragTimes(page);
      return [
        { what: 'script of the first route (Trips), compressed', value: firstRoute, unit: 'kB', target: 200 },
        { what: 'script of the Plan room opened directly, compressed', value: planRoute, unit: 'kB' },
        { what: 'cold open of a trip to its ridge, median', value: median(cold), unit: 'ms', target: 1000 },
        {
          what: `drag to redrawn ridge, median of ${drags.length}`,
          value: median(drags),
          unit: 'ms',
          target: 50,
        },
        { what: 'drag to redrawn ridge, p95', value: p95(drags), unit: 'ms', target: 50 },
      ];
    } finally {
      await browser.close();
    }
  });
