import { expect, openTrip, test, verdict } from './knapsack.js';

test('each trip stands with its own ridge and verdict, by date, and is looked for; one is copied, put away and brought back', async ({
  page,
  knapsack,
}) => {
  await page.goto(knapsack.address);
  await expect(page.locator('.trip-verdict')).toHaveCount(3);
  await expect(page.locator('.trip-name')).toHaveText([
    'Winter bothy',
    'Headland contest camp',
    'Gannet Rock light',
  ]);
  await expect(page.locator('.trips li').nth(1)).toContainText('nothing separates them');
  await expect(page.locator('.trips li').nth(2)).toContainText('lasts in all of 400');
  await page.keyboard.press('/');
  await page.keyboard.type('gannet');
  await expect(page.locator('.trip-name')).toHaveText(['Gannet Rock light']);
  await page.keyboard.type(' nowhere');
  await expect(page.locator('.trips-page')).toContainText('No trip is called or lies at “gannet nowhere”');
  await page.getByRole('searchbox').fill('');

  await page.getByRole('button', { name: 'Copy Winter bothy' }).click();
  await expect(page.getByRole('link', { name: 'Winter bothy, copy' })).toBeVisible();
  await page.getByRole('button', { name: 'Archive Winter bothy, copy' }).click();
  await expect(page.getByRole('link', { name: 'Winter bothy, copy' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Show the 10 archived' }).click();
  await page.getByRole('button', { name: 'Restore Winter bothy, copy' }).click();
  await expect(page.getByRole('link', { name: 'Winter bothy, copy' })).toBeVisible();
  // The outings of the season before stay put away.
  await expect(page.getByRole('button', { name: 'Hide the 9 archived' })).toBeVisible();
});

test('a trip begins with a kind of outing and a bag from the shelf', async ({ page, knapsack }) => {
  await page.goto(knapsack.address);
  await page.getByRole('button', { name: 'New trip' }).click();
  await page.getByRole('button', { name: /^Two days on an island/ }).click();
  await expect(verdict(page)).toContainText('lasts past');
  await expect(page.getByRole('button', { name: /^Swap/ })).toHaveCount(3);
  await expect(page.locator('.block.again')).toHaveCount(2);
});

test('gear that a variant carries is not thrown away', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await page.getByRole('button', { name: 'Keep as a variant' }).click();
  await page.getByRole('button', { name: 'Swap Shale 18' }).click();
  await page.getByRole('button', { name: /^Shale 9/ }).click();
  await expect(page.locator('.save-state')).toHaveText('saved');
  const answer = await page.request.delete(`${knapsack.address}/api/gear/shale-18`, {
    headers: { 'If-Match': '"1"' },
  });
  expect(answer.status()).toBe(409);
  expect(await answer.text()).toContain('Gannet Rock light');
});
