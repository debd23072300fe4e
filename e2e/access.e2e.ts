import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { block, expect, openTrip, test } from './knapsack.js';

/** What axe finds serious: by all rules as the page stands, then the contrast of the other themes. */
const serious = async (page: Page) => {
  const found = await findings(new AxeBuilder({ page }));
  for (const theme of ['glare', 'ember', 'paper']) {
    await page.evaluate((name) => (document.documentElement.dataset['theme'] = name), theme);
    if (theme === 'paper') continue;
    const contrast = await findings(new AxeBuilder({ page }).withRules(['color-contrast']));
    found.push(...contrast.map((words) => `${theme}, ${words}`));
  }
  return found;
};

async function findings(axe: AxeBuilder): Promise<string[]> {
  const { violations } = await axe.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
}

test('axe finds nothing serious in Trips, Backup, the sum and Gear', async ({ page, knapsack }) => {
  await page.goto(knapsack.address);
  await expect(page.getByRole('link', { name: 'Winter bothy' })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto(`${knapsack.address}/backup`);
  await expect(page.getByText('There is none yet')).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto(`${knapsack.address}/sum`);
  await expect(page.locator('.answer')).toContainText('Lasts');
  expect(await serious(page)).toEqual([]);
  await page.goto(`${knapsack.address}/gear`);
  await page.locator('[data-gear="curlew-10"] .bag-name').click();
  await page.getByLabel('Compare Shale 18').check();
  await page.getByLabel('Compare Shale 9').check();
  await expect(page.locator('.compare')).toBeVisible();
  expect(await serious(page)).toEqual([]);
});

test('axe finds nothing serious in the Bench', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/bench`);
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(page.locator('.live')).toContainText(/\d\d s/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: 'propose the stretches' }).click();
  await expect(page.locator('.marks tr').first()).toBeVisible();
  expect(await serious(page)).toEqual([]);
});

test('axe finds nothing serious in the Plan', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await block(page, 'b2').click();
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press(']');
  await page.getByRole('button', { name: 'Keep as a variant' }).click();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.locator('.variant-table')).toBeVisible();
  await page.locator('.sky-lane').focus();
  expect(await serious(page)).toEqual([]);
  await page.getByRole('button', { name: 'draw it' }).click();
  const strip = (await page.locator('.strip').boundingBox())!;
  await page.mouse.click(strip.x + strip.width / 2, strip.y + strip.height / 2);
  await expect(page.locator('.point')).toHaveCount(1);
  expect(await serious(page)).toEqual([]);
});

test('axe finds nothing serious in a plan that ends too soon, and in the chances', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack, 'headland-contest-camp');
  await expect(page.locator('.fix').first()).toBeEnabled();
  expect(await serious(page)).toEqual([]);
  await page.locator('[data-unfolds="chance"]').click();
  await expect(page.locator('.tornado li').first()).toBeVisible();
  expect(await serious(page)).toEqual([]);
});

test('axe finds nothing serious in Size', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/size`);
  await expect(page.getByText(/kits, each on 400 draws/)).toBeVisible();
  await page.getByRole('button', { name: 'Why?' }).first().click();
  await page.getByText('The table to take along').click();
  await expect(page.locator('.why')).toBeVisible();
  expect(await serious(page)).toEqual([]);
});

test('axe finds nothing serious in Wire, Pack, Rehearse and the card', async ({ page, knapsack }) => {
  const room = `${knapsack.address}/trips/headland-contest-camp`;
  await page.goto(`${room}/wire`);
  await page.locator('.harness').getByText('0.6 m').click();
  await expect(page.locator('.run-figures')).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto(`${room}/pack`);
  await page.getByRole('button', { name: 'Shale 60', exact: true }).click();
  await expect(page.locator('.without')).toContainText('Left at home');
  expect(await serious(page)).toEqual([]);
  await page.goto(`${room}/rehearse`);
  await expect(page.locator('.noise')).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.goto(`${room}/card`);
  await expect(page.locator('.field-card')).toContainText('Take care');
  expect(await serious(page)).toEqual([]);
});

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
