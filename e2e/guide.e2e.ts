import { expect, openTrip, test } from './knapsack.js';

test('each room leads to its chapter, a sum to its term, and all of it is a booklet', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  await page.locator('[data-unfolds="schools"]').click();
  await page.getByRole('link', { name: 'Usable capacity' }).click();
  await expect(page).toHaveURL(/guide\/glossary#usable-capacity$/);
  await expect(page.getByRole('heading', { name: 'Usable capacity' })).toBeInViewport();
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/wire`);
  await page.getByRole('link', { name: 'Guide' }).click();
  await expect(page.getByRole('heading', { name: 'Wire', exact: true })).toBeVisible();
  const picture = page.getByRole('img', { name: 'The wiring of a kit' });
  await expect(picture).toHaveJSProperty('complete', true);
  expect(await picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(1000);
  await page.getByRole('link', { name: 'Gear', exact: true }).first().click();
  await page.locator('main').focus();
  await page.keyboard.press('g');
  await page.keyboard.press('h');
  await expect(page.getByRole('heading', { name: 'Begin', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'All of it, to print' }).click();
  await expect(page.locator('article')).toHaveCount(16);
  await page.getByRole('link', { name: 'Glossary' }).first().click();
  await expect(page.getByRole('heading', { name: 'Transmit duty cycle' })).toBeVisible();
});

test('past the rail by the first key', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/settings`);
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Units')).toBeFocused();
});
