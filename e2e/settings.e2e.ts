import { expect, openTrip, test } from './knapsack.js';

test.describe('a browser from the United States', () => {
  test.use({ locale: 'en-US' });

  test('reads pounds, Fahrenheit and half days, types what it likes, and nothing changes in the document', async ({
    page,
    knapsack,
  }) => {
    await openTrip(page, knapsack);
    await expect(page.locator('.verdict .told')).toContainText('4:00\u00A0PM');
    await expect(page.locator('.side')).toContainText('4.87 lb');
    const limit = page.getByLabel('Carry limit');
    const kept = async () => {
      const answer = await fetch(`${knapsack.address}/api/trips/gannet-rock-light`);
      return (await answer.json()) as { carryLimitG: number; end: string };
    };
    await expect(limit).toHaveValue('19.842');
    await limit.fill('9 kg');
    await limit.press('Tab');
    await expect(limit).toHaveValue('19.842');
    await limit.fill('20');
    await limit.press('Tab');
    await expect.poll(async () => (await kept()).carryLimitG / 453.59237).toBeCloseTo(20, 3);
    // What it understood of another unit stands beside the field until it is typed in again.
    await limit.fill('9 kg');
    await limit.press('Tab');
    await expect(page.locator('.understood')).toHaveText('9 kg = 19.842 lb');
    // A day and an hour are typed as they are said there, and the week of the month begins on Sunday.
    await page.getByRole('button', { name: /^Outing ends/ }).click();
    await expect(page.locator('.ngb-dp-weekday').first()).toHaveText('S');
    await page.getByRole('textbox', { name: 'Outing ends' }).fill('Sep 5, 3:30 pm');
    await expect(page.locator('.calendar .understood')).toHaveText('Sun September 5, 2027, 3:30\u00A0PM');
    await page.keyboard.press('Enter');
    await expect.poll(async () => Date.parse((await kept()).end)).toBe(Date.parse('2027-09-05T15:30+02:00'));
    await page.goto(`${knapsack.address}/trips/gannet-rock-light/wire`);
    await expect(page.locator('.harness')).toContainText('13.1 ft · ≈ AWG 16');
  });
});

test('units, clock, currency and keys are chosen once and stay', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/settings`);
  await expect(page.locator('.example')).toContainText('15 °C');
  await page.getByLabel('Units').selectOption('us');
  await page.getByLabel('Clock').selectOption('12');
  await page.getByLabel('Currency').selectOption('CAD');
  await expect(page.locator('.example')).toContainText('59 °F');
  await expect(page.locator('.example')).toContainText('6:40\u00A0PM');
  await expect(page.locator('.example')).toContainText('$120');
  await page.getByLabel('One-letter keys').selectOption('off');
  await page.reload();
  await expect(page.getByLabel('Units')).toHaveValue('us');
  await page.getByRole('link', { name: 'Trips' }).click();
  await page.getByRole('link', { name: /Gannet Rock light/ }).click();
  await expect(page.locator('.side')).toContainText('4.87 lb');
  // Neither a room nor a block by a letter; the list of keys by its own.
  await page.keyboard.press('g');
  await page.keyboard.press('w');
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/gannet-rock-light$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
});

test('an address that leads nowhere says so, and so does that of a trip that is not there; both lead on', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/no/such/room`);
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible();
  await page.getByRole('link', { name: 'Go to the trips' }).click();
  await expect(page.getByRole('heading', { name: 'Trips' })).toBeVisible();

  await page.goto(`${knapsack.address}/trips/nowhere`);
  await expect(page.getByRole('alert')).toHaveText('There is no such trip.');
  await page.getByRole('link', { name: 'Back to the trips' }).click();
  await expect(page.getByRole('link', { name: 'Winter bothy' })).toBeVisible();
});
