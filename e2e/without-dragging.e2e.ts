import { expectFocus, focused } from './focus.js';
import { block, expect, openTrip, test } from './knapsack.js';

test.describe.configure({ timeout: 240_000 });

test('the skyline is made by fields alone and keeps the focus in its dialog; the hours are a table too, which is changed where it stands', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  await page.getByRole('button', { name: 'edit the skyline' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Add a point' }).click();
  await dialog.getByRole('button', { name: 'Add a point' }).click();
  await expect(dialog.locator('.point')).toHaveCount(2);
  await dialog.getByLabel('Height of point 2').fill('35');
  await page.keyboard.press('Enter');
  await expect(dialog.locator('.point').nth(1)).toHaveAttribute('aria-valuetext', '35° high');
  await dialog.locator('.point').nth(1).focus();
  await page.keyboard.press('Delete');
  await expect(dialog.locator('.point')).toHaveCount(1);
  const isInside = () => page.evaluate(() => document.activeElement?.closest('.modal') != null);
  expect(await isInside()).toBe(true);
  // The last one too.
  await dialog.getByRole('button', { name: 'Remove point 1' }).focus();
  await page.keyboard.press('Enter');
  await expect(dialog.locator('.point')).toHaveCount(0);
  await page.waitForTimeout(50);
  expect(await isInside()).toBe(true);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expectFocus(page, /^button edit the skyline/);

  await page.getByRole('button', { name: 'Table of hours' }).click();
  await expectFocus(page, /^h2 Hours/);
  const table = page.locator('.hours table');
  await expect(table.locator('tbody tr')).toHaveCount(14);
  const row = (hour: string) => table.getByRole('row', { name: new RegExp(`^${hour}`) });
  await expect(row('11:00')).toContainText('CW 10 W');
  await page.getByLabel('Work from 12:00').selectOption('off');
  await expect(block(page, 'b1')).toHaveAttribute('aria-label', /11:00 to Sat 12:00/);
  await page.getByLabel('Work from 13:00').selectOption('FT8 5 W');
  await expect(page.locator('[data-block]')).toHaveCount(6);
  await page.getByLabel('Sky from 15:00').selectOption('rain');
  // One shower is in the forecast already.
  await expect(page.locator('.sky-label', { hasText: 'rain' })).toHaveCount(2);
  await page.getByLabel('Day', { exact: true }).selectOption('1');
  await expect(table.locator('tbody tr')).toHaveCount(16);
  await expect(row('10:00')).toContainText(/\d+ %/);
});

test('segments of the bench are made and changed by times, without a drag', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/bench`);
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  await expectFocus(page, /^button Stop/);
  await expect(page.locator('.live')).toContainText(/\d\d\d s/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expectFocus(page, /^button Record/);
  await page.getByRole('button', { name: 'Mark the remainder' }).click();
  await page.getByLabel('Segment 1 ends').fill('60');
  await page.keyboard.press('Enter');
  await page.getByLabel('Segment 1 begins').fill('70');
  await page.keyboard.press('Enter');
  await expect(page.locator('.marks .problem')).toHaveText('It must begin before it ends, at 60 s.');
  await page.getByLabel('Segment 1 begins').fill('20');
  await page.keyboard.press('Enter');
  await expect(page.locator('.marks tr').first()).toContainText('40 s');
  await page.getByRole('button', { name: 'Mark the remainder' }).click();
  await expect(page.locator('.marks tr')).toHaveCount(2);
  await page.getByRole('button', { name: 'Remove segment 1' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.marks tr')).toHaveCount(1);
  expect(await focused(page)).not.toBe('nothing');
});
