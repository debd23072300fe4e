import { expect, test } from './knapsack.js';

test('the rooms are reached by keys, and the keys are listed', async ({ page, knapsack }) => {
  await page.goto(knapsack.address);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('new block');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { name: 'Quick sum' })).toBeVisible();
});
