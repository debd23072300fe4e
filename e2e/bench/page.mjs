// The page in headless Chromium: weight of the first routes, time to the first ridge, drag to redrawn ridge.
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { launchChromium } from '../chromium.mjs';
import { median, p95 } from './times.mjs';
import { served } from './served.mjs';

const COLD_RUNS = 9;
/** With the processor at a quarter, about as on a phone. */
const SLOW_RUNS = 5;
const SLOWER = 4;
const DRAG_MOVES = 160;
/** A quarter of an hour of the 48-hour trip, and a little more. */
const STEP_PX = 6;

/** Compressed script that stands in the page so far, kB (1000 bytes); what its workers run comes by itself, at its time. */
const scriptWeight = (page) =>
  page.evaluate(
    () =>
      performance
        .getEntriesByType('resource')
        .filter(({ name }) => /\.js($|\?)/.test(name) && !/\/worker-/.test(name))
        .reduce((sum, entry) => sum + entry.encodedBodySize, 0) / 1000,
  );

const ridgeDrawn = (page) =>
  page.waitForFunction(() => performance.getEntriesByName('ridge-drawn').length > 0);

/** Milliseconds from the start of a trip's page to its verdict and to its chance, with a slow processor. */
async function slowOpen(page, address) {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await page.goto(`${address}/trips/gannet-rock-light`, { waitUntil: 'commit' });
  const shown = (wanted) =>
    page
      .waitForFunction(
        (words) =>
          new RegExp(words).test(document.querySelector('.verdict .sentence')?.textContent ?? '') &&
          performance.now(),
        wanted,
        { polling: 'raf' },
      )
      .then((handle) => handle.jsonValue());
  return { verdict: await shown('typical outing'), chance: await shown('of \\d+ simulated') };
}

/** Milliseconds from each pointer move that changed the block to the ridge drawn from the new forecast. */
export async function dragTimes(page) {
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
  // To and fro, a step of the block each time, as far as its neighbours let it.
  for (let step = 1; step <= DRAG_MOVES; step++) {
    const back = Math.floor(step / 8) % 2 === 1;
    const along = (back ? 8 - (step % 8) : step % 8) - 4;
    await page.mouse.move(box.x + box.width / 2 + along * STEP_PX, y);
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

/** The demo trip over other hours, its blocks done every day from there on. */
export async function longTrip(address, id, days) {
  const trip = await (await fetch(`${address}/api/trips/gannet-rock-light`)).json();
  const end = new Date(Date.parse(trip.start) + days * 24 * 3_600_000).toISOString();
  const blocks = trip.blocks.map((block) => (days > 2 ? { ...block, repeat: 'day' } : block));
  const answer = await fetch(`${address}/api/trips`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...trip, id, name: id, end, blocks }),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

/** Drags in a trip that is open and at rest. */
export async function dragsIn(page, address, id) {
  await page.goto(`${address}/trips/${id}`);
  await ridgeDrawn(page);
  await page.waitForTimeout(1500);
  return dragTimes(page);
}

/**
 * A list of five hundred trips scrolled from end to end, a screen every frame: how long until it is there, the longest
 * frame, and how many rows that came to rest in sight stand without their ridge after a moment.
 */
async function listTimes(page, address) {
  const trip = await (await fetch(`${address}/api/trips/winter-bothy`)).json();
  for (let count = 0; count < 500; count++) {
    await fetch(`${address}/api/trips`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ...trip, id: `many-${count}`, name: `Trip ${count}` }),
    });
  }
  await page.goto(address);
  await page.waitForFunction(() => document.querySelectorAll('.trips li').length > 500);
  const there = await page.evaluate(() => performance.now());
  const longest = await page.evaluate(
    () =>
      new Promise((done) => {
        let last = performance.now();
        let most = 0;
        const step = (now) => {
          most = Math.max(most, now - last);
          last = now;
          window.scrollBy(0, 400);
          const atEnd = window.scrollY + window.innerHeight >= document.documentElement.scrollHeight - 2;
          if (atEnd) done(most);
          else requestAnimationFrame(step);
        };
        requestAnimationFrame(step);
      }),
  );
  await page.waitForTimeout(2000);
  const bare = await page.evaluate(
    () =>
      [...document.querySelectorAll('.trips li')].filter((row) => {
        const { top, bottom } = row.getBoundingClientRect();
        return bottom > 0 && top < window.innerHeight && !row.querySelector('.trip-verdict');
      }).length,
  );
  return { there, longest, bare };
}

/** A meter's file of a million readings, ten a second, of a radio that transmits a fifth of the time; its path. */
async function millionReadings() {
  const rows = Array.from(
    { length: 1_000_000 },
    (_, index) => `${index / 10};13.2;${index % 600 < 120 ? '1.92' : '0.14'}`,
  );
  const path = join(await mkdtemp(join(tmpdir(), 'knapsack-bench-')), 'meter.csv');
  await writeFile(path, `time s;volts;amps\n${rows.join('\n')}\n`);
  return path;
}

/** Reads a million readings at the bench and marks all of them, with the longest that the page was not drawn meanwhile. */
async function benchTimes(page, address) {
  await page.goto(`${address}/bench`);
  const field = page.getByLabel('File of readings');
  await field.waitFor({ state: 'attached' });
  await page.evaluate(() => {
    window.longest = 0;
    let last = performance.now();
    const tick = (now) => {
      window.longest = Math.max(window.longest, now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    document.querySelector('input[type=file]').addEventListener('change', () => {
      window.longest = 0;
      window.begun = performance.now();
    });
  });
  const path = await millionReadings();
  // By its path: a buffer would be unpacked in the page, which is not what is measured.
  await field.setInputFiles(path);
  await page.locator('.notices', { hasText: '1,000,000 readings' }).waitFor({ timeout: 120_000 });
  await rm(dirname(path), { recursive: true });
  const read = await page.evaluate(() => ({
    seconds: (performance.now() - window.begun) / 1000,
    longest: window.longest,
  }));
  await page.evaluate(() => (window.longest = 0));
  await page.getByRole('button', { name: 'Mark the remainder' }).click();
  await page.locator('.marks tr').first().waitFor();
  return { ...read, marking: await page.evaluate(() => window.longest) };
}

export const measure = () =>
  served(async (address) => {
    const browser = await launchChromium();
    try {
      return figuresOf(await measured(browser, address));
    } finally {
      await browser.close();
    }
  });

async function measured(browser, address) {
  /** Something on a page of its own, which is closed afterwards: what an open one still works out would be measured with the next. */
  const alone = async (work) => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const done = await work(await context.newPage());
    await context.close();
    return done;
  };
  const firstRoute = await alone(async (page) => {
    await page.goto(address);
    await page.getByRole('link', { name: 'Winter bothy' }).waitFor();
    return scriptWeight(page);
  });
  const cold = [];
  for (let run = 0; run < COLD_RUNS; run++) cold.push(await alone((page) => coldOpen(page, address)));
  const slow = [];
  for (let run = 0; run < SLOW_RUNS; run++) slow.push(await alone((page) => slowOpen(page, address)));
  await longTrip(address, 'two-days', 2);
  await longTrip(address, 'month', 30);
  return {
    ...{ firstRoute, cold, slow },
    drags: await alone((page) => dragsIn(page, address, 'two-days')),
    longDrags: await alone((page) => dragsIn(page, address, 'month')),
    list: await alone((page) => listTimes(page, address)),
    bench: await alone((page) => benchTimes(page, address)),
  };
}

async function coldOpen(page, address) {
  await page.goto(`${address}/trips/gannet-rock-light`);
  await ridgeDrawn(page);
  return {
    drawn: await page.evaluate(() => performance.getEntriesByName('ridge-drawn')[0].startTime),
    weight: await scriptWeight(page),
  };
}

const figuresOf = ({ firstRoute, cold, slow, drags, longDrags, list, bench }) => [
  { what: 'script of the first route (Trips), compressed', value: firstRoute, unit: 'kB', target: 200 },
  {
    what: 'script of the Plan room opened directly, compressed',
    value: cold.at(-1).weight,
    unit: 'kB',
  },
  {
    what: 'cold open of a trip to its ridge, median',
    value: median(cold.map(({ drawn }) => drawn)),
    unit: 'ms',
    target: 1000,
  },
  {
    what: 'processor at a quarter: open to the verdict, median',
    value: median(slow.map(({ verdict }) => verdict)),
    unit: 'ms',
    target: 1500,
  },
  {
    what: 'processor at a quarter: open to the chance, median',
    value: median(slow.map(({ chance }) => chance)),
    unit: 'ms',
    target: 2000,
  },
  {
    what: `drag to redrawn ridge, 48 h with sun, median of ${drags.length}`,
    value: median(drags),
    unit: 'ms',
  },
  { what: 'drag to redrawn ridge, 48 h with sun, p95', value: p95(drags), unit: 'ms', target: 33 },
  {
    what: `drag to redrawn ridge, 30 days, median of ${longDrags.length}`,
    value: median(longDrags),
    unit: 'ms',
  },
  { what: 'drag to redrawn ridge, 30 days, p95', value: p95(longDrags), unit: 'ms', target: 100 },
  { what: 'list of 500 trips there', value: list.there, unit: 'ms' },
  { what: 'list of 500 trips scrolled, longest frame', value: list.longest, unit: 'ms', target: 100 },
  { what: 'rows in sight without their ridge 2 s after', value: list.bare, unit: 'rows', target: 0 },
  { what: 'bench: a file of a million readings read', value: bench.seconds, unit: 's' },
  {
    what: 'bench: longest the page stood still meanwhile',
    value: bench.longest,
    unit: 'ms',
    target: 200,
  },
  {
    what: 'bench: longest it stood still when all of them were marked',
    value: bench.marking,
    unit: 'ms',
    target: 200,
  },
];
