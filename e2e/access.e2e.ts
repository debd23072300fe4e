import { expect, openTrip, test } from './knapsack.js';

test('the ridge reads out where the cursor stands', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const ridge = page.getByRole('slider', { name: 'Charge in the battery over the outing' });
  await ridge.focus();
  await page.keyboard.press('Home');
  await expect(ridge).toHaveAttribute('aria-valuetext', /^Sat 10:00, 100 %/);
  for (let quarter = 0; quarter < 4; quarter++) await page.keyboard.press('PageUp');
  await expect(ridge).toHaveAttribute('aria-valuetext', /^Sat 14:00, 100 %/);
});

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
