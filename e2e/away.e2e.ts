import { createHash } from 'node:crypto';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';
import type { LogDocument, Trip } from '@knapsack/contract';
import { block, expect, openTrip, ROOT, saved, test, verdict, type Knapsack } from './knapsack.js';

test.describe.configure({ timeout: 240_000 });

const TRIP = '/trips/gannet-rock-light';

/** Waits until the whole application is on the device: each file that its list names. */
const whenItStays = (page: Page) =>
  expect
    .poll(
      () =>
        page.evaluate(async () => {
          const registration = await navigator.serviceWorker.getRegistration();
          if (registration?.active?.state !== 'activated') return 'no worker yet';
          const response = await fetch('/ngsw.json');
          const { assetGroups } = (await response.json()) as { assetGroups: { urls: string[] }[] };
          const { urls } = assetGroups[0];
          const found = await Promise.all(urls.map((url) => caches.match(url, { ignoreVary: true })));
          return urls.filter((_, index) => !found[index]).length;
        }),
      { timeout: 60_000 },
    )
    .toBe(0);

const atSea = (page: Page) => page.clock.setFixedTime(new Date('2027-09-05T02:00:00+02:00'));
const sentence = (page: Page) => page.locator('.field-sentence:not(.rough)');
const state = (page: Page) => page.locator('.save-state');
const rows = (page: Page) => page.locator('.entries li');
const room = (page: Page, name: string) =>
  page.locator('.trail').getByRole('link', { name: new RegExp(`${name}$`) });
const read = async <Document>({ address }: Knapsack, path: string) =>
  (await (await fetch(`${address}/api/${path}`)).json()) as Document;
const trip = (knapsack: Knapsack) => read<Trip>(knapsack, 'trips/gannet-rock-light');
const powers = async (knapsack: Knapsack) =>
  Object.fromEntries((await trip(knapsack)).blocks.map(({ id, powerW }) => [id, powerW]));

test.describe('on a slow phone with the server away', () => {
  test.use({
    serviceWorkers: 'allow',
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  });

  /** A page of its own, as after the phone was off, at a quarter of the processor's speed until it stands. */
  async function openCold(context: BrowserContext, address: string): Promise<Page> {
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await atSea(page);
    await page.goto(address);
    await expect(block(page, 'b2').or(sentence(page))).toBeVisible();
    await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    return page;
  }
  async function enter(page: Page, digits: string): Promise<void> {
    for (const digit of digits)
      await page
        .locator('.pad')
        .getByRole('button', { name: digit === '.' ? 'Point' : digit, exact: true })
        .tap();
    await page.locator('.field').getByRole('button', { name: 'Keep', exact: true }).tap();
  }

  test('the application opens cold, and what is entered and changed goes out later', async ({
    page,
    context,
    knapsack,
  }) => {
    await openTrip(page, knapsack);
    await saved(page);
    await whenItStays(page);
    await knapsack.stop();
    await page.close();

    const cold = await openCold(context, `${knapsack.address}${TRIP}/field`);
    await expect(sentence(cold)).toContainText('left');
    await expect(rows(cold)).toHaveCount(15);
    await enter(cold, '13.0');
    await expect(rows(cold)).toHaveCount(16);
    await room(cold, 'Wire').tap();
    await expect(cold.locator('.harness')).toBeVisible();
    await room(cold, 'Card').tap();
    await expect(cold.locator('.field-card')).toBeVisible();
    await room(cold, 'Plan').tap();
    await expect(verdict(cold)).toContainText(/lasts|ends/);
    await expect(state(cold)).toContainText('the server is away; as it had it');
    await block(cold, 'b2').focus();
    await cold.keyboard.press('[');
    await expect(state(cold)).toHaveText('the server is away; kept in this browser');
    await expect(block(cold, 'b2')).toContainText('5 W');
    await cold.close();

    // Off and on again, and still no server.
    const again = await openCold(context, `${knapsack.address}${TRIP}`);
    await expect(block(again, 'b2')).toContainText('5 W');
    await room(again, 'Field').tap();
    await expect(rows(again)).toHaveCount(16);
    await expect(again.locator('.where-kept')).toHaveText('1 saved here, not yet on the server');
    await again.getByRole('link', { name: 'Trips' }).tap();
    await expect(again.locator('.banner')).toContainText('does not answer');
    await expect(again.locator('.trips')).toContainText('Gannet Rock light');
    await expect(again.locator('.trips li')).toHaveCount(1);
    await again.getByRole('link', { name: /^Gannet Rock light/ }).tap();

    await knapsack.resume();
    await expect(state(again)).toHaveText('saved');
    await room(again, 'Field').tap();
    await expect(again.locator('.where-kept')).toHaveText('on the server');
    expect((await powers(knapsack))['b2']).toBe(5);
    expect((await read<LogDocument>(knapsack, 'logs/gannet-rock-light')).entries.length).toBe(16);
  });
});

test('two devices that changed different things of a trip while the server was away keep both changes', async ({
  browser,
  knapsack,
}) => {
  // Another device: its storage is its own.
  const device = () =>
    browser.newContext({ locale: 'en-IE', timezoneId: 'Europe/Oslo', serviceWorkers: 'block' });
  const contexts = [await device(), await device()] as const;
  const pages = [await contexts[0].newPage(), await contexts[1].newPage()] as const;
  for (const one of pages) await openTrip(one, knapsack);
  await knapsack.stop();
  for (const [index, one] of pages.entries()) {
    await block(one, ['b2', 'b3'][index]).focus();
    await one.keyboard.press('[');
    await expect(state(one)).toHaveText('the server is away; kept in this browser');
    await one.close();
  }
  await knapsack.resume();

  const [former, latter] = [await contexts[0].newPage(), await contexts[1].newPage()];
  await openTrip(former, knapsack);
  await saved(former);
  await openTrip(latter, knapsack);
  await expect(latter.locator('.notice')).toContainText('Both changes stand.');
  await saved(latter);
  const { b2, b3 } = await powers(knapsack);
  expect([b2, b3]).toEqual([5, 2]);
  await former.reload();
  await expect(block(former, 'b3')).toContainText('2 W');
  for (const context of contexts) await context.close();
});

test.describe('a newer release', () => {
  test.use({ serviceWorkers: 'allow' });

  test('is taken when the page is opened next, never in the middle of work', async ({ page, knapsack }) => {
    const folder = mkdtempSync(join(tmpdir(), 'knapsack-newer-'));
    cpSync(join(ROOT, 'web/dist/browser'), folder, { recursive: true });
    const index = join(folder, 'index.html');
    writeFileSync(index, readFileSync(index, 'utf8').replace('<body>', '<body data-release="newer">'));
    const list = join(folder, 'ngsw.json');
    const ngsw = JSON.parse(readFileSync(list, 'utf8')) as { hashTable: Record<string, string> };
    ngsw.hashTable['/index.html'] = createHash('sha1').update(readFileSync(index)).digest('hex');
    writeFileSync(list, JSON.stringify(ngsw));

    await openTrip(page, knapsack);
    await whenItStays(page);
    await knapsack.stop();
    await knapsack.resume(folder);
    await page.reload();
    await block(page, 'b2').focus();
    await page.keyboard.press('[');
    await expect(page.locator('.notice')).toContainText('A newer Knapsack is on this device', {
      timeout: 60_000,
    });
    await expect(page.locator('body')).not.toHaveAttribute('data-release');
    await saved(page);
    await page.reload();
    await expect(page.locator('body')).toHaveAttribute('data-release', 'newer');
    await expect(block(page, 'b2')).toContainText('5 W');
    rmSync(folder, { recursive: true });
  });
});
