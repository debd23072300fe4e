import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openTrip, saved, test, type Knapsack } from './knapsack.js';

async function openWire(page: Page, { address }: Knapsack, id = 'gannet-rock-light'): Promise<void> {
  await page.goto(`${address}/trips/${id}/wire`);
  await expect(page.locator('svg.harness')).toBeVisible();
}
const said = (page: Page) => page.locator('.room-verdict');
const run = (page: Page, words: RegExp) => page.locator('.drawn').filter({ hasText: words }).first();
const press = (page: Page, words: RegExp) => page.locator('.harness').getByText(words).click();
const type = async (page: Page, label: string, value: string) => {
  await page.getByLabel(label, { exact: true }).fill(value);
  await page.keyboard.press('Enter');
};

test('the kit is drawn, broken, and fixed with a click that can be taken back', async ({
  page,
  knapsack,
}) => {
  await openWire(page, knapsack);
  await expect(said(page)).toContainText('OK to wire; 1 warning');
  // 1.92 A key-down on 0.6 m of 2.5 mm2, two contact pairs and a 10 A fuse: 0.03 V.
  await press(page, /0\.6 m · 2\.5 mm²/);
  await expect(page.locator('.run-figures')).toContainText('1.92 A, loses 0.03 V');

  await type(page, 'Fuse', '1');
  await expect(said(page)).toContainText('Do not connect this yet: 1 stop');
  await expect(page.locator('.harness .s-stop')).toHaveCount(1);
  await expect(page.locator('.checks li').first()).toContainText('needed at least');
  await expect(page.locator('.difference')).toContainText('one run wired otherwise');

  await page.locator('.checks li').first().locator('.fix').click();
  await expect(said(page)).not.toContainText('Do not connect');
  await expect(page.locator('.harness .changed')).toHaveCount(1);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.locator('.difference')).not.toContainText('wired');
  await saved(page);
  await page.reload();
  await expect(page.locator('svg.harness')).toContainText('3 A');
});

test('what cannot be is answered with a sentence and changes nothing', async ({ page, knapsack }) => {
  await openWire(page, knapsack);
  await press(page, /0\.6 m · 2\.5 mm²/);
  const alert = page.locator('.run-sentence').getByRole('alert');
  await type(page, 'Length, one way', '0');
  await expect(alert).toHaveText('The length must be above 0 and at most 200 m; 0 m is not.');
  await page.keyboard.press('Escape');
  await type(page, 'Fuse', '11');
  await expect(alert).toContainText('No one sells a fuse of 11 A');
  await page.keyboard.press('Escape');
  await type(page, 'Length, one way', 'long');
  await expect(alert).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

  // A splitter, a disconnect before it, and the disconnect hung from the splitter again: a ring.
  await page.getByLabel('Part in between').selectOption({ label: 'splitter' });
  await expect(page.locator('.run-sentence').first()).toContainText('Shale 18 to splitter');
  await page.getByLabel('Part in between').selectOption({ label: 'low-voltage disconnect' });
  await expect(page.locator('.run-sentence').first()).toContainText('to low-voltage disconnect');
  await page.getByLabel('Fed from').selectOption({ label: 'splitter' });
  await expect(page.locator('.in-hand [role=alert]')).toContainText('That would close a loop');
  await expect(page.getByLabel('Fed from')).toHaveValue('shale-18');
});

test('a kit with parts missing is drawn with its gaps', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await page.getByRole('button', { name: 'Swap Shale 18' }).click();
  await page.getByRole('button', { name: 'Leave it at home' }).click();
  await page
    .getByRole('navigation', { name: 'Rooms of this trip' })
    .getByRole('link', { name: /Wire/ })
    .click();
  await expect(page.locator('svg.harness')).toContainText('no battery in the bag');
  await expect(page.locator('.checks')).toContainText('Nothing feeds this station');
  await expect(page.locator('.wire')).toContainText('The plan cannot be calculated');
});

test('by keyboard a run is chosen, told and changed, and the change is undone; the order and the parts are taken along as files', async ({
  page,
  knapsack,
}) => {
  await openWire(page, knapsack);
  await run(page, /4\.0 m · 1\.5 mm²/).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.run-sentence').first()).toContainText('Frond 42 to Rill 8');
  await type(page, 'Length, one way', '30');
  // The panel's aim is 3 %: 1.41 A on 30 m of 1.5 mm2 lose 0.9 V of 18.
  await expect(page.locator('.checks')).toContainText('voltage drop');
  await page.getByLabel('Length, one way', { exact: true }).blur();
  await page.keyboard.press('Control+z');
  await expect(page.locator('.checks')).not.toContainText('voltage drop');

  await expect(page.locator('.order li').nth(2)).toContainText('Connect Rill 8 to Shale 18, plus last.');
  await page.getByRole('button', { name: 'disconnect in this' }).click();
  await expect(page.locator('.order li').nth(1)).toContainText('Turn Frond 42 face down');
  const take = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name, exact: true }).click();
    return (await download).path().then((path) => readFileSync(path));
  };
  expect((await take('SVG')).toString()).toContain('<title>Wiring of Gannet Rock light</title>');
  expect((await take('PNG')).subarray(1, 4).toString()).toBe('PNG');
  const csv = (await take('Parts list (CSV)')).toString();
  expect(csv.split('\n')[0]).toBe('what,detail,count,length_m,where');
  expect(csv).toContain('blade fuse with holder,10 A,2,,');
});

test('two batteries one after the other get a change-over switch, and only one at a time', async ({
  page,
  knapsack,
}) => {
  await openWire(page, knapsack, 'headland-contest-camp');
  await expect(page.locator('.checks')).toContainText('nothing separates them');
  await page.locator('.checks li', { hasText: 'change-over switch' }).locator('.fix').click();
  await expect(page.locator('svg.harness')).toContainText('only one at a time');
  await expect(page.locator('.checks')).not.toContainText('nothing separates them');
  // No order of connecting while a stop is open.
  await expect(page.locator('.order')).toContainText('Connect nothing yet');
  await page.locator('.checks li', { hasText: 'rating of the fuse' }).locator('.fix').click();
  await expect(page.locator('.order')).toContainText('Set the change-over switch to Shale 60');
  // It is a part: it has a name, an amperage, and can be taken out again.
  await page.locator('svg.harness').getByText('change-over switch').click();
  await type(page, 'Name of the change-over switch', 'one plug, moved by hand');
  await expect(page.locator('svg.harness')).toContainText('one plug, moved by hand');
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.locator('.checks')).toContainText('nothing separates them');
  await page.getByRole('button', { name: 'Add a change-over switch' }).click();
  await expect(page.locator('.checks')).not.toContainText('nothing separates them');
});

test('which batteries a controller charges is entered in Gear, and Wire asks for it', async ({
  page,
  knapsack,
}) => {
  const known = await page.request.get(`${knapsack.address}/api/gear/rill-8`);
  const { profiles: _profiles, ...unsaid } = (await known.json()) as { profiles: unknown };
  await page.request.put(`${knapsack.address}/api/gear/rill-8`, {
    data: unsaid,
    headers: { 'If-Match': known.headers()['etag'] ?? '*' },
  });
  await openWire(page, knapsack);
  await expect(page.locator('.checks')).toContainText('Which batteries Rill 8 can charge is not entered');
});
