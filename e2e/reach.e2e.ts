import type { BrowserContext, Page } from '@playwright/test';
import { CHROMIUM } from './chromium.mjs';
import { block, expect, Knapsack, openTrip, saved, test } from './knapsack.js';
import { axeFaults } from './looks.js';

test.describe.configure({ timeout: 180_000 });

// A name that leads to this machine and is none of its own: a browser trusts it as little as any other machine.
test.use({
  launchOptions: { ...CHROMIUM, args: [...CHROMIUM.args, '--host-resolver-rules=MAP shack.test 127.0.0.1'] },
});

const PASSPHRASE = 'four words of sea';

async function logIn(page: Page, device: string, passphrase = PASSPHRASE): Promise<void> {
  await page.getByLabel('Passphrase').fill(passphrase);
  await page.getByLabel('Name of this device').fill(device);
  await page.getByRole('button', { name: 'Log in' }).click();
}
const state = (page: Page) => page.locator('.save-state');
const keptHere = (page: Page) =>
  page.evaluate(async () => ({
    texts: Object.keys(localStorage).filter((key) => key.includes('gannet')),
    databases: (await indexedDB.databases()).map(({ name }) => name),
  }));

test.describe('a Knapsack that other devices reach', () => {
  let knapsack: Knapsack;
  const others: BrowserContext[] = [];
  test.beforeEach(async () => {
    knapsack = await Knapsack.start(true, { KNAPSACK_LISTEN: '127.0.0.1' }, PASSPHRASE);
  });
  test.afterEach(async () => {
    for (const context of others.splice(0)) await context.close();
    await knapsack.end();
  });

  test('asks for its passphrase, limits wrong ones, and goes on to where one wanted to be', async ({
    page,
  }) => {
    await page.goto(`${knapsack.address}/trips/gannet-rock-light`);
    await expect(page).toHaveTitle('Log in, Knapsack');
    expect(await axeFaults(page)).toEqual([]);
    await logIn(page, 'laptop', 'four words of see');
    await expect(page.getByRole('alert')).toHaveText('That is not the passphrase.');
    await logIn(page, 'laptop');
    await openTrip(page, knapsack);
    await block(page, 'b2').focus();
    await page.keyboard.press('[');
    await saved(page);

    await page.context().clearCookies();
    await page.goto(knapsack.address);
    for (let attempt = 0; attempt < 9; attempt++) await logIn(page, 'laptop', 'wrong');
    await logIn(page, 'laptop');
    await expect(page.getByRole('alert')).toContainText('Too many wrong passphrases. Wait 10 minutes');
  });

  test('sends a device away, which clears what it holds', async ({ page, browser }) => {
    await page.goto(`${knapsack.address}/settings`);
    await logIn(page, 'laptop');
    const context = await browser.newContext({ locale: 'en-IE', timezoneId: 'Europe/Oslo' });
    others.push(context);
    const phone = await context.newPage();
    await phone.goto(`${knapsack.address}/trips/gannet-rock-light`);
    await logIn(phone, 'lost phone');
    await openTrip(phone, knapsack);
    await expect.poll(async () => (await keptHere(phone)).databases).toContain('knapsack-kept');

    await page.reload();
    await expect(page.getByRole('row', { name: /^laptop/ })).toContainText('this one');
    await expect(page.getByAltText(/A code that leads a camera to http/)).toBeVisible();
    await page
      .getByRole('row', { name: /^lost phone/ })
      .getByRole('button', { name: 'Send away' })
      .click();
    await expect(page.getByRole('row', { name: /^lost phone/ })).toHaveCount(0);

    // It types on, and learns of it as it next reaches the server.
    await block(phone, 'b2').focus();
    await phone.keyboard.press('[');
    await expect(phone.getByRole('alert')).toContainText('What it held of Knapsack is cleared.');
    expect(await keptHere(phone)).toEqual({ texts: [], databases: [] });
    await phone.getByRole('link', { name: 'Log in again' }).click();
    await logIn(phone, 'found phone');
    await expect(phone.getByRole('heading', { name: 'Trips' })).toBeVisible();
    expect(await keptHere(phone)).toEqual({ texts: [], databases: expect.anything() as string[] });
  });

  test('asks again where a device was logged out, and loses nothing that was typed', async ({
    page,
    context,
  }) => {
    await page.goto(`${knapsack.address}/trips/gannet-rock-light`);
    await logIn(page, 'laptop');
    await openTrip(page, knapsack);
    await context.clearCookies();
    await block(page, 'b2').focus();
    await page.keyboard.press('[');
    await expect(state(page)).toHaveText('not saved');
    await page.locator('.notice').getByRole('button', { name: 'Log in' }).click();
    await logIn(page, 'laptop');
    await expect(block(page, 'b2')).toContainText('5 W');
    await saved(page);
  });
});

test.describe('over plain http from another machine', () => {
  test('says that it cannot stay on the device, and works', async ({ page }) => {
    const knapsack = await Knapsack.start(true, { KNAPSACK_NAMES: 'shack.test' }, PASSPHRASE);
    const address = knapsack.address.replace('127.0.0.1', 'shack.test');
    await page.goto(`${address}/trips/gannet-rock-light/field`);
    await expect(page.getByText('This page came over plain http.')).toBeVisible();
    await logIn(page, 'phone');
    await expect(page.locator('.field-sentence:not(.rough)')).toContainText('left');
    await expect(page.locator('.field-told')).toContainText('Keep this page open and do not reload it');
    await page.getByRole('tab', { name: 'Sky' }).click();
    await page.locator('.skies').getByRole('button', { name: 'fog' }).click();
    await expect(page.locator('.where-kept')).toHaveText('on the server');
    await page.goto(`${address}/settings`);
    await expect(page.locator('.this-device')).toContainText('Over plain http');
    await knapsack.end();
  });
});
