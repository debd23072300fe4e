import type { Page } from '@playwright/test';
import { expect, test } from './knapsack.js';

const sentence = (page: Page) => page.locator('.debrief .room-verdict');
const figure = async (page: Page, why: string) => {
  const words = await page.locator('.waterfall li').filter({ hasText: why }).locator('.ah').innerText();
  return Number.parseFloat(words.replace('−', '-').replace('+', ''));
};

test('the debrief says how it went and why, in bars that sum up, and follows what is entered', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/field`);
  await expect(page.locator('.field-sentence')).toContainText('left');
  await page.keyboard.press('g');
  await page.keyboard.press('e');
  await expect(page).toHaveURL(/debrief$/);
  await expect(sentence(page)).toContainText(
    /^\s*It most likely lasted: \d+ % left, \d+ to \d+\. The sun cost most/,
  );
  await expect(page.locator('.debrief')).toContainText('Nothing was entered after Sat 23:50');
  const rows = await page.locator('.waterfall li .ah').allInnerTexts();
  const ah = rows.map((words) => Number.parseFloat(words.replace('−', '-').replace('+', '')));
  const [planned, ...steps] = ah.slice(0, -1);
  expect(steps.reduce((sum, step) => sum + step, planned)).toBeCloseTo(ah.at(-1)!, 1);
  await expect(page.locator('.worked-lanes dd').first().locator('li')).toHaveCount(5);

  // What an instrument recorded of the second day goes in, and comes out here.
  const before = await figure(page, 'actual');
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/field`);
  await page.getByRole('tab', { name: 'More' }).click();
  await page.getByLabel('File of an instrument').setInputFiles({
    name: 'monitor.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(
      '# start 2027-09-05T13:00:00Z\nB 60000 13.02 -0.20 30 -12.60 900\nB 2400000 13.01 -0.20 29 -12.80 900\n',
    ),
  });
  await expect(page.locator('.where-kept')).toHaveText('on the server');
  await page.locator('.trail').getByRole('link', { name: 'Debrief' }).click();
  await expect.poll(() => figure(page, 'actual')).toBeGreaterThan(before + 1);
  await expect(page.locator('.debrief')).not.toContainText('Nothing was entered after');
});

test('an outing of which nothing is known says so, and where to enter it', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/trips/winter-bothy/debrief`);
  await expect(sentence(page)).toHaveText(
    'Nothing is known of what happened in Winter bothy: its log is empty.',
  );
  await page.locator('.debrief').getByRole('link', { name: 'Field' }).click();
  await expect(page).toHaveURL(/field$/);
});
