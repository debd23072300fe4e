import type { Page } from '@playwright/test';
import { atRest, expect, saved, test, type Knapsack } from './knapsack.js';

async function openPack(page: Page, { address }: Knapsack, id = 'gannet-rock-light'): Promise<void> {
  await page.goto(`${address}/trips/${id}/pack`);
  await expect(page.locator('.pack-bag').first()).toBeVisible();
}
const said = (page: Page) => page.locator('.room-verdict');
const bag = (page: Page, name: string) => page.getByRole('region', { name });
const type = async (page: Page, label: string, value: string) => {
  await page.getByLabel(label, { exact: true }).first().fill(value);
  await page.keyboard.press('Enter');
};

test('a bag is packed over its limit and under it again, by dragging, and keeps the rain out; both stand after a reload', async ({
  page,
  knapsack,
}) => {
  await openPack(page, knapsack);
  await expect(said(page)).toContainText(
    '7.13 kg of the 9.00 kg that are carried on foot: it can be carried.',
  );
  const from = await atRest(bag(page, 'back pack').getByRole('listitem').filter({ hasText: 'Frond 42' }));
  const to = await atRest(bag(page, 'side pouch'));
  await page.mouse.move(from.x + 120, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + 100, to.y + to.height / 2, { steps: 12 });
  await page.mouse.up();
  // 1.35 kg and the panel's 1.26 kg in a pouch for 1.5 kg.
  await expect(bag(page, 'side pouch')).toContainText('1.11 kg too heavy');
  await expect(said(page)).toContainText('but side pouch does not close');
  await page.getByLabel('Bag', { exact: true }).selectOption({ label: 'back pack' });
  await expect(said(page)).toContainText('it can be carried');

  const rain = page.locator('ks-rain');
  await expect(rain).toContainText('Rain from Sun 02:00, 2 h 00 in all.');
  await expect(rain).toContainText('Rain gets at relay unit');
  await page.getByLabel('What back pack keeps out').selectOption({ label: 'rain' });
  await expect(rain).not.toContainText('Rain gets at');
  await saved(page);
  await page.reload();
  await expect(bag(page, 'back pack')).toContainText('Frond 42');
  await expect(page.getByLabel('What back pack keeps out')).toHaveValue('rain');
});

test('what the room says: over the limit of the way in, what an outing costs, and a list that prints on one page', async ({
  page,
  knapsack,
}) => {
  await openPack(page, knapsack);
  await type(page, 'What may be carried in all', '6');
  await expect(said(page)).toContainText('1.13 kg over the 6.00 kg that are carried on foot');
  await page.getByRole('button', { name: 'Use the usual limit' }).click();
  await expect(said(page)).toContainText('7.13 kg of the 10.00 kg');
  await type(page, 'How many carry', '2');
  await page.getByRole('button', { name: 'Share it evenly' }).click();
  await expect(page.locator('.carriers')).toContainText('no. 1 carries');
  await type(page, 'What may be carried in all', '-2');
  await expect(page.getByRole('alert')).toContainText('carry limit');
  await page.keyboard.press('Escape');

  const money = page.getByRole('region', { name: 'Money' });
  await expect(money).toContainText('All of it is owned');
  // 320 over ten years of twelve outings.
  await expect(money).toContainText(/costs €?2\.67/);
  await page.getByLabel('Outings a year').fill('24');
  await page.keyboard.press('Enter');
  await expect(money).toContainText(/costs €?1\.33/);
  await page.getByLabel('Outings a year').fill('none');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('outings a year');
  await page.keyboard.press('Escape');

  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.pack-tick input').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print the list' })).toBeHidden();
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBe(1);
});

test('by keyboard a piece is ticked, put in a bag, and carried twice; what stays at home is told before it is left', async ({
  page,
  knapsack,
}) => {
  await openPack(page, knapsack);
  const tick = page.getByLabel('tent lamp is packed');
  await tick.focus();
  await page.keyboard.press('Space');
  await expect(page.locator('.ticks')).toContainText('4 of 11 packed');
  await page.getByRole('button', { name: 'tent lamp night' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Bag', { exact: true }).selectOption({ label: 'side pouch' });
  await expect(bag(page, 'side pouch')).toContainText('tent lamp');
  await page.getByRole('button', { name: 'Carry a second' }).first().press('Enter');
  await expect(bag(page, 'side pouch')).toContainText('2 × short cable');

  await page.getByRole('button', { name: 'Frond 42', exact: true }).click();
  await expect(page.locator('.without')).toContainText(/on the air are (left|kept)/);
  await expect(page.locator('.without')).toContainText(/lasts in .* simulated outings/);
  await page.getByRole('button', { name: 'Shale 18', exact: true }).click();
  await expect(page.locator('.without')).toContainText('there is no operating at all');
  await page.getByRole('button', { name: /^night/ }).click();
  await expect(page.locator('ks-in-hand')).toContainText('tent lamp');
  await page.getByRole('button', { name: 'Leave the module at home' }).click();
  await expect(page.locator('.pack-bags')).not.toContainText('tent lamp');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.pack-bags')).toContainText('tent lamp');
});

test('a module stays at home and comes along again as one', async ({ page, knapsack }) => {
  await openPack(page, knapsack);
  await page.getByRole('button', { name: 'small computer', exact: true }).click();
  await page.getByLabel('Module', { exact: true }).selectOption({ label: 'night' });
  await page.getByRole('button', { name: /^night/ }).click();
  await expect(page.locator('ks-in-hand')).toContainText('Module night: small computer, tent lamp.');
  await page.getByRole('button', { name: 'Leave the module at home' }).click();
  const aside = page.locator('.set-aside');
  await expect(aside).toContainText('Left at home: night (small computer, tent lamp, 0.40 kg).');
  await expect(said(page)).toContainText('6.73 kg');
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: 'Take night along' }).click();
  await expect(said(page)).toContainText('7.13 kg');
  await expect(aside).toHaveCount(0);
});
