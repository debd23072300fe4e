import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, saved, test, type Knapsack } from './knapsack.js';

async function openRehearse(page: Page, { address }: Knapsack, id = 'gannet-rock-light'): Promise<void> {
  await page.goto(`${address}/trips/${id}/rehearse`);
  await expect(page.locator('.step-group').first()).toBeVisible();
}
const said = (page: Page) => page.locator('.room-verdict');
const type = async (page: Page, label: string | RegExp, value: string) => {
  await page.getByLabel(label).fill(value);
  await page.keyboard.press('Enter');
};

test('a kit is rehearsed from not yet to ready', async ({ page, knapsack }) => {
  await openRehearse(page, knapsack, 'winter-bothy');
  await expect(said(page)).toContainText(/Not yet: \d+ steps are open/);
  const good = page.getByRole('button', { name: /^OK: / });
  for (let index = 0; index < (await good.count()); index++) await good.nth(index).click();
  await type(page, 'Listening, Dunlin 3 draws', '0.5');
  await expect(page.getByRole('region', { name: 'Measure' })).toContainText('not as it should be');
  await expect(said(page)).toContainText('1 step went wrong');
  // What the plan expects, read off the step itself.
  for (const label of [
    'Listening, Dunlin 3 draws',
    /^Battery full and rested, into a dummy load/,
    /^Worked as planned/,
  ]) {
    const row = page.locator('.step-group li').filter({ has: page.getByLabel(label) });
    const expected = /expected ([\d.]+)/.exec((await row.textContent())!)![1];
    await type(page, label, expected);
  }
  await expect(said(page)).toContainText('Ready: all');
  await saved(page);
  await page.reload();
  await expect(said(page)).toContainText('Ready: all');
});

test('noise on a band stays with the controller, and Wire tells of it', async ({ page, knapsack }) => {
  await openRehearse(page, knapsack);
  await type(page, 'Rill 8, 15 m, off', '2');
  await type(page, 'Rill 8, 15 m, on', '5');
  await expect(page.locator('.noise .heard').first()).toHaveText('15 m');
  await expect(said(page)).toContainText('1 step went wrong');
  // A reading in the other unit is another reading.
  await page.getByRole('button', { name: 'dB, Rill 8' }).click();
  await expect(page.getByLabel('Rill 8, 15 m, on')).toHaveValue('');
  await page.getByRole('button', { name: 'S-units, Rill 8' }).click();
  await expect(page.getByLabel('Rill 8, 15 m, on')).toHaveValue('5');
  await page
    .getByRole('navigation', { name: 'Rooms of this trip' })
    .getByRole('link', { name: /Wire/ })
    .click();
  await expect(page.locator('.checks')).toContainText('Rill 8 is noisy on 15 m');
  // The record is the gear's: another trip with the same controller knows it too.
  const gear = await page.request.get(`${knapsack.address}/api/gear/rill-8`);
  expect(((await gear.json()) as { noise: unknown[] }).noise).toContainEqual(
    expect.objectContaining({ band: '15 m', unit: 'S', off: 2, on: 5, radio: 'curlew-10' }),
  );
});

test('the field card has it all on one page, in print and as a PDF', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/card`);
  const card = page.locator('.field-card');
  await expect(card).toContainText('Ration: power and transmit duty cycle by hour');
  await expect(card).toContainText('Shale 18 to Curlew 10');
  await expect(card).toContainText('13.6 V');
  await expect(card).toContainText('Never charge it below 0 °C');
  // Both steps of safety, taking apart, thunder, and what Wire warns of.
  for (const words of [
    'take the fuses out',
    'Measure the polarity',
    'Disconnect: ',
    'Thunder: ',
    'Warning: The fuse',
  ]) {
    await expect(card).toContainText(words);
  }
  for (const format of ['A4', 'A5']) {
    const printed = await page.pdf({ format });
    expect(printed.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBe(1);
  }
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF, A5' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('gannet-rock-light-field-card-a5.pdf');
  expect(
    readFileSync(await file.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('without the server the card is still there, and its PDF says what is missing', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/trips/winter-bothy/card`);
  await expect(page.locator('.field-card')).toContainText('Volts and charge');
  await knapsack.stop();
  await page.getByRole('button', { name: 'PDF, A4' }).click();
  await expect(page.getByRole('alert')).toContainText(/not|cannot/);
  await expect(page.locator('.field-card')).toBeVisible();
});

test('charging is laid out backward from the departure, one in the past gets a sentence; what the site asks for follows from the bag, the forecast and who knows', async ({
  page,
  knapsack,
}) => {
  await openRehearse(page, knapsack);
  const up = page.locator('ks-charge-up');
  await expect(up).toContainText('Shale 18, now at');
  await page.getByRole('button', { name: /^Departure/ }).click();
  await page.getByRole('textbox', { name: 'Departure' }).fill('2027-09-03T18:00');
  await page.keyboard.press('Enter');
  // 9 Ah at 5 A and the taper: about two hours before six in the evening.
  await expect(up).toContainText(/From Fri 3 Sep 1[56]:\d\d to Fri 3 Sep 18:00/);
  await type(page, /^Charge now, /, '100');
  await expect(up).toContainText('Nothing needs a charger.');
  await page.getByRole('button', { name: /^Departure/ }).click();
  await page.getByRole('textbox', { name: 'Departure' }).fill('2020-01-01T08:00');
  await page.keyboard.press('Enter');
  await expect(up.getByRole('alert')).toHaveText('This departure is in the past: say when you leave next.');
  await page.locator('.trip-title input').blur();
  await page.keyboard.press('Control+z');
  await expect(up.getByRole('alert')).toHaveCount(0);

  const site = page.getByRole('region', { name: 'On the site' });
  await expect(site).toContainText('Tell the harbour office where you are');
  await expect(site).toContainText('at least 11 m from power lines');
  await expect(site).toContainText('Rain from Sun 02:00');
  await page.getByLabel('Who knows where you are').fill('the keeper');
  await page.keyboard.press('Enter');
  await expect(site).toContainText('Tell the keeper where you are');
  await saved(page);
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/card`);
  await expect(page.locator('.card-care')).toContainText('Tell the keeper: back after Sun 16:00.');
});
