import { expect, openTrip, saved, test, verdict } from './knapsack.js';

test('a device with a battery inside runs on it, and what that saves is told', async ({ page, knapsack }) => {
  await openTrip(page, knapsack, 'headland-contest-camp');
  await page.locator('.bag-name', { hasText: 'tablet' }).click();
  await page.getByRole('button', { name: 'When it is on, and its figures' }).click();
  const use = page.locator('ks-own-cells');
  await expect(use).toContainText(/Runs \d+ h \d\d by itself/);
  await page.getByLabel('How its own battery is used').selectOption({
    label: 'run on its own battery first',
  });
  await expect(use).toContainText(/[\d.]+ Ah of the battery saved/);
  await page.getByLabel('How its own battery is used').selectOption({
    label: 'fed from the bus alone',
  });
  await expect(use).toContainText('nothing saved');
  await saved(page);
});

test('a charger on a generator charges in its hours, and no longer where it is given none', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack, 'headland-contest-camp');
  await page.getByRole('button', { name: 'Use the variant with a generator' }).click();
  await expect(verdict(page)).toContainText('lasts past Sun 14:00');
  await page.locator('.bag-name', { hasText: 'Ebb 20' }).click();
  await page.getByRole('button', { name: 'When it is on, and its figures' }).click();
  const hours = page.locator('ks-charging-hours');
  await expect(hours).toContainText(/It brings \d\d\.\d Ah/);
  const before = (await hours.textContent())!;
  await hours.getByRole('button', { name: 'less' }).click();
  await expect(hours).not.toContainText(/It brings (5|6)\d/);
  await hours.getByRole('button', { name: /^Charges until/ }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('20:00');
  await page.keyboard.press('Enter');
  await expect(hours.getByRole('button', { name: /^Charges until/ })).toContainText('20:00');
  await hours.getByRole('button', { name: 'never' }).click();
  await expect(hours).toContainText('On the way it never charges.');
  await hours.getByRole('button', { name: 'give it hours' }).click();
  await expect(page.getByLabel('What the charger is run by')).toHaveValue('');
  for (let back = 0; back < 4; back++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(hours).toHaveText(before);
  // Without its generator it charges nothing, and that is said.
  await page.locator('.bag-name', { hasText: 'Gale 900' }).click();
  await page.getByRole('button', { name: 'Leave it at home' }).click();
  await expect(page.locator('main')).toContainText('Ebb 20 hangs on a generator that is not in the bag');
  await saved(page);
});
