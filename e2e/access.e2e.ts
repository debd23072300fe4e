import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { block, expect, openTrip, test } from './knapsack.js';

const serious = async (page: Page) => {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
};

for (const theme of ['paper', 'glare', 'ember']) {
  test(`axe finds nothing serious in ${theme}`, async ({ page, knapsack }) => {
    await page.addInitScript((name) => localStorage.setItem('knapsack.theme', name), theme);
    await page.goto(knapsack.address);
    await expect(page.getByRole('link', { name: 'Winter bothy' })).toBeVisible();
    expect(await serious(page)).toEqual([]);
    await page.goto(`${knapsack.address}/sum`);
    await expect(page.locator('.answer')).toContainText('Lasts');
    expect(await serious(page)).toEqual([]);
    await openTrip(page, knapsack);
    await block(page, 'b2').click();
    expect(await serious(page)).toEqual([]);
  });
}

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
