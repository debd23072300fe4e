import { expect, openTrip, test, verdict } from './knapsack.js';

test('on an empty installation a sentence becomes a plan that lasts, of typical gear', async ({
  page,
  empty,
}) => {
  await page.goto(empty.address);
  await page.getByRole('link', { name: 'Plan an outing of your own' }).click();
  await page.getByLabel('Place', { exact: true }).fill('Stony Top');
  await page.getByLabel('Latitude and longitude, or a locator').fill("55°54'N 3°12'W");
  await page.getByLabel('Hours', { exact: true }).fill('4h30');
  await page.getByLabel('Hours', { exact: true }).press('Tab');
  await expect(page.locator('.understood')).toHaveText('4h30 = 4.5 h');
  await page.getByLabel('Mode').selectOption('CW');
  await page.getByLabel('Panel').selectOption('20');
  // What was said is still there after a reload.
  await page.reload();
  await expect(page.getByLabel('Place', { exact: true })).toHaveValue('Stony Top');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(verdict(page)).toContainText('lasts past Sat 14:30');
  await expect(page.locator('.where')).toContainText('4 h 30');
  await expect(page.locator('.side')).toContainText('Typical 10 W radio');
  await expect(page.locator('.side')).toContainText('Typical 20 W folding panel');
  await expect(page.getByText(/Assumed, not measured/)).toContainText('Typical 10 W radio: receive current');
  // Its own radio in the place of the typical one is a click away, and so are other sizes.
  await page.getByRole('button', { name: 'Swap Typical 10 W radio' }).click();
  await page.getByRole('button', { name: 'Typical figures, by size …' }).click();
  await page.getByRole('button', { name: /^Typical 5 W radio/ }).click();
  await expect(page.getByRole('button', { name: 'Swap Typical 5 W radio' })).toBeVisible();
  // The next beginning starts as usual again.
  await page.goto(`${empty.address}/begin`);
  await expect(page.getByLabel('Place', { exact: true })).toHaveValue('a hill');
});

test('what to take is answered with the sizes that are sold, told apart from the shelf', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  await page.getByRole('link', { name: 'Size' }).click();
  await page.locator('.standing', { hasText: /kits, each tried in/ }).waitFor();
  await expect(page.locator('.answer')).not.toContainText('Typical');
  await page.getByLabel('Out of what kits are made').selectOption('sold');
  await expect(page.locator('.answer')).toContainText(
    /The lightest is\s+Typical \d+ Ah LiFePO4, about \d\.\d\d kg \(± /,
  );
  await expect(page.locator('.answer')).toContainText(/If a battery fails,\s+2 × Typical/);
  await page.locator('.standing', { hasText: /kits, each tried in/ }).waitFor();
  // Tried on, it comes onto the shelf; the search stands, and undo takes it out of the bag.
  await page.locator('.answer .unfold').first().click();
  await expect(page.locator('.standing', { hasText: /kits, each tried in/ })).toBeVisible();
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(page.locator('.side')).toContainText('LiFePO4');
  await expect(page.getByRole('button', { name: /^Swap Typical \d+ Ah LiFePO4/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Swap Shale 18' })).toBeVisible();
});
