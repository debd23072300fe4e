import type { Page } from '@playwright/test';
import { atRest, block, expect, verdict } from './knapsack.js';

/** A page as it is looked at: where it is, and how it comes to stand there with much in it. */
export interface LookedAt {
  readonly name: string;
  readonly path: string;
  readonly makeWhole: (page: Page) => Promise<unknown>;
}

const GANNET = '/trips/gannet-rock-light';
const CAMP = '/trips/headland-contest-camp';
const there = (name: string, path: string, makeWhole: LookedAt['makeWhole']): LookedAt => ({
  name,
  path,
  makeWhole,
});

const lasting = (page: Page) => expect(verdict(page)).toContainText(/lasts|ends/);

async function withRecording(page: Page): Promise<void> {
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(page.locator('.live')).toContainText(/\d\d s/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: 'find segments' }).click();
  await expect(page.locator('.marks tr').first()).toBeVisible();
}

async function withVariants(page: Page): Promise<void> {
  await lasting(page);
  await page.getByRole('button', { name: 'Table of hours' }).click();
  await block(page, 'b2').click();
  await page.keyboard.press(']');
  await page.getByRole('button', { name: 'Keep as a variant' }).click();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.locator('.variant-table')).toBeVisible();
  await page.locator('ks-facts').waitFor();
  await page.locator('.sky-lane').focus();
}

async function withSkyline(page: Page): Promise<void> {
  await lasting(page);
  await page.getByRole('button', { name: 'edit the skyline' }).click();
  const strip = await atRest(page.locator('.strip'));
  await page.mouse.click(strip.x + strip.width / 2, strip.y + strip.height / 2);
  await expect(page.locator('.point')).toHaveCount(1);
}

/** Every page. A new one is a line here, and is looked at by eye, key, finger and screen reader (walk.e2e.ts). */
export const PAGES: readonly LookedAt[] = [
  there('Trips', '/', async (page) => {
    await page.getByRole('link', { name: 'Winter bothy' }).waitFor();
    await expect(page.locator('.trip-verdict')).toHaveCount(3);
  }),
  there('Begin', '/begin', (page) => page.getByRole('button', { name: 'Plan it' }).waitFor()),
  there('Quick sum', '/sum', (page) => page.locator('.answer').getByText('Lasts').waitFor()),
  there('Backup', '/backup', (page) => page.getByText('There is none yet').waitFor()),
  there('Settings', '/settings', (page) => page.getByText('It reads:').waitFor()),
  there('Guide', '/guide/plan', (page) => page.getByRole('heading', { name: 'What it answers' }).waitFor()),
  there('Gear', '/gear', async (page) => {
    // One kind of gear: the others are the same cards again.
    await page.getByRole('button', { name: /^Radios/ }).click();
    await page.locator('[data-gear="curlew-10"] .bag-name').click();
    await page.getByLabel('Compare Dunlin 3').check();
    await page.getByLabel('Compare Whimbrel 100').check();
    await expect(page.locator('.compare')).toBeVisible();
  }),
  there('Logbook', '/logbook', async (page) => {
    await page.getByText(/^Of 9 outings 7 lasted; 8\.2 were to be expected\.$/).waitFor();
    await page.locator('.requirements tfoot').waitFor();
  }),
  there('Bench', '/bench', withRecording),
  there('Plan, with variants and its table of hours', GANNET, withVariants),
  there('Plan, its skyline', GANNET, withSkyline),
  there('Plan, of what ends too soon', CAMP, async (page) => {
    await expect(page.locator('.fix').first()).toBeEnabled();
    await page.locator('[data-unfolds="chance"]').click();
    await expect(page.locator('.tornado li').first()).toBeVisible();
  }),
  there('Size', `${GANNET}/size`, async (page) => {
    await page.locator('.standing', { hasText: /kits, each tried in 400 simulated outings/ }).waitFor();
    await page.getByRole('button', { name: 'Why?' }).first().click();
    await page.getByText('The table to take along').click();
    await expect(page.locator('.why')).toBeVisible();
  }),
  there('Wire', `${CAMP}/wire`, async (page) => {
    await page.locator('.harness').getByText('0.6 m').click();
    await page.locator('.run-figures').waitFor();
  }),
  there('Pack', `${CAMP}/pack`, async (page) => {
    await page.getByRole('button', { name: 'Shale 60', exact: true }).click();
    await page.locator('.without').getByText('Left at home').first().waitFor();
  }),
  there('Rehearse', `${CAMP}/rehearse`, (page) => page.locator('.noise').first().waitFor()),
  there('Card', `${CAMP}/card`, (page) => page.locator('.field-card').getByText('Take care').waitFor()),
  there('Field', `${GANNET}/field`, (page) => page.locator('.field-sentence:not(.rough)').waitFor()),
  there('Dry run', `${CAMP}/field?dry-run`, async (page) => {
    await page.getByRole('button', { name: /^Dry run/ }).click();
    await page.locator('.displays li').first().waitFor();
    await page.getByRole('button', { name: 'Pause' }).click();
    await page.locator('.field-truth').waitFor();
  }),
  there('Debrief', `${GANNET}/debrief`, async (page) => {
    await page.locator('.next-plans li').first().waitFor();
    await page.locator('.waterfall').waitFor();
  }),
];
