// The Logbook of three hundred outings in headless Chromium: how long until its first rows are painted.
import { launchChromium } from '../chromium.mjs';
import { served } from './served.mjs';
import { median } from './times.mjs';

const OUTINGS = 300;
const RUNS = 5;
const DAY_MS = 24 * 3_600_000;

const post = async (address, body) => {
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(await answer.text());
};

/** Copies of the demo's first outing that something is known of, a day apart. */
async function manyOutings(address) {
  const json = async (path) => (await fetch(`${address}/api/${path}`)).json();
  const [{ trip: told }] = await json('logbook');
  const trip = await json(`trips/${told.id}`);
  const log = await json(`logs/${told.id}`);
  const earlier = (iso, days) => new Date(Date.parse(iso) - days * DAY_MS).toISOString();
  for (let count = 1; count <= OUTINGS; count++) {
    const id = `outing-${count}`;
    const moved = ({ start, end, ...rest }) => ({
      ...rest,
      start: earlier(start, count),
      end: earlier(end, count),
    });
    await post(`${address}/api/trips`, {
      ...moved(trip),
      weather: undefined,
      id,
      name: `Outing ${count}`,
      blocks: trip.blocks.map(moved),
    });
    const entries = log.entries.map((entry) => ({ ...entry, at: earlier(entry.at, count) }));
    await post(`${address}/api/logs/${id}`, { ...log, trip: id, entries });
  }
}

export const measure = () =>
  served(async (address) => {
    await manyOutings(address);
    const browser = await launchChromium();
    try {
      const times = [];
      for (let run = 0; run < RUNS; run++) {
        const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
        await page.goto(`${address}/logbook`, { waitUntil: 'commit' });
        const shown = await page.waitForFunction(
          () => document.querySelectorAll('table.outings tbody tr a').length > 0 && performance.now(),
          null,
          { polling: 'raf' },
        );
        times.push(await shown.jsonValue());
        await page.context().close();
      }
      return [
        {
          what: `Logbook of ${OUTINGS} outings: first painted, median`,
          value: median(times),
          unit: 'ms',
          target: 1000,
        },
      ];
    } finally {
      await browser.close();
    }
  });
