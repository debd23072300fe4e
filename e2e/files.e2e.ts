import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openTrip, saved, test, verdict } from './knapsack.js';

/** What a click on a download gives. */
async function downloaded(page: Page, click: () => Promise<void>): Promise<Buffer> {
  const download = page.waitForEvent('download');
  await click();
  return readFileSync(await (await download).path());
}

const saveAs = (page: Page, trip: string, format: string) =>
  downloaded(page, async () => {
    await page.getByRole('button', { name: `Save ${trip} as` }).click();
    await page.getByRole('button', { name: new RegExp(`^${format}`) }).click();
  });

const choose = (page: Page, label: string, name: string, content: Buffer | string) =>
  page.getByLabel(label, { exact: true }).setInputFiles({
    ...{ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) },
  });

test('a trip goes out as a file and comes in on another installation, and never over one that is there', async ({
  page,
  knapsack,
  empty,
}) => {
  await page.goto(knapsack.address);
  const file = (await saveAs(page, 'Winter bothy', 'Trip file')).toString();
  const document = JSON.parse(file) as { gear: { id: string; name: string }[] };

  await page.goto(empty.address);
  await expect(page.getByText('No trips yet')).toBeVisible();
  await choose(page, 'Trip file', 'winter-bothy.json', file);
  await expect(page.getByText('Add its gear that is not on your shelf')).toBeVisible();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.locator('.trip-title input')).toHaveValue('Winter bothy');
  await expect(verdict(page)).toContainText('lasts');
  await page.goto(`${empty.address}/gear`);
  await expect(page.locator(`[data-gear="${document.gear[0].id}"]`)).toBeVisible();

  const again = async (change: object) => {
    await page.goto(empty.address);
    await expect(page.getByRole('link', { name: /./ }).first()).toBeVisible();
    await choose(page, 'Trip file', 'x.json', JSON.stringify({ ...document, ...change }));
  };
  await again({});
  await expect(page.locator('.notices').getByText('is here already, the same')).toBeVisible();
  await again({ note: 'From elsewhere.' });
  await page.getByRole('button', { name: 'Keep both' }).click();
  await expect(page.locator('.trip-title input')).toHaveValue('Winter bothy, from a file');
  await again({ name: 'Replaced' });
  await page.getByRole('button', { name: 'Replace the one here' }).click();
  await expect(page.getByRole('link', { name: /^Replaced/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^Replaced/ })).toHaveCount(0);
  // Its own gear where the shelf says otherwise, if that is wanted.
  const gear = document.gear.map((item, index) => (index === 0 ? { ...item, about: 'another one' } : item));
  await again({ id: 'other-trip', name: 'Other figures', gear });
  await page.getByLabel(/Your shelf has other figures for/).check();
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(
    page.getByRole('button', { name: `Swap ${document.gear[0].name}, from a file` }),
  ).toBeVisible();
  await again({ version: 99 });
  await expect(page.locator('.notices').getByText('a newer Knapsack can open it')).toBeVisible();
});

test('everything goes out as a backup, is looked at, and comes in again', async ({
  page,
  knapsack,
  empty,
}) => {
  await page.goto(knapsack.address);
  await page.getByRole('link', { name: 'Backup' }).click();
  const zip = await downloaded(page, () => page.getByRole('link', { name: 'Save a backup' }).click());

  await page.goto(empty.address);
  await page.getByRole('link', { name: 'Restore a backup' }).click();
  await choose(page, 'Backup file', 'notes.zip', 'no zip at all');
  await expect(page.getByRole('alert')).toContainText('no zip that can be read');
  await choose(page, 'Backup file', 'knapsack.zip', zip);
  await expect(page.locator('.restore-look')).toContainText('12 trips, ');
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(page.locator('.banner.fine')).toContainText(/Restored: \d+ added/);

  // Changed here since: kept, unless it is to be replaced; then what was here is in a copy.
  await openTrip(page, empty);
  await page.getByLabel('Name of the trip').fill('Mine');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goto(`${empty.address}/backup`);
  await choose(page, 'Backup file', 'knapsack.zip', zip);
  await page.getByLabel(/Replace it with/).check();
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(page.locator('.banner.fine')).toContainText('1 replaced');
  await expect(page.locator('.copies li', { hasText: 'before a restore' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Check the data file' }).click();
  await expect(page.getByText(/No fault found; \d+ documents/)).toBeVisible();
  await page.goto(empty.address);
  await expect(page.getByRole('link', { name: 'Gannet Rock light' })).toBeVisible();
});

test('an outing goes into a calendar, and a place out to a map and in from one', async ({
  page,
  knapsack,
}) => {
  await page.goto(knapsack.address);
  const calendar = (await saveAs(page, 'Gannet Rock light', 'Calendar')).toString();
  expect(calendar).toContain('SUMMARY:Start charging no later than');
  const gpx = (await saveAs(page, 'Gannet Rock light', 'Place as GPX')).toString();
  expect(gpx).toContain('<wpt lat="59.02" lon="5.31">');
  await openTrip(page, knapsack, 'winter-bothy');
  const hours = await page.getByLabel('Outing starts').textContent();
  await choose(page, 'File with places', 'gannet.gpx', gpx);
  await expect(page.getByLabel('Place', { exact: true })).toHaveValue('Gannet Rock');
  await expect(page.getByLabel('Latitude and longitude, or a locator')).toHaveValue('59.02 N 5.31 E');
  expect(await page.getByLabel('Outing starts').textContent()).toBe(hours);
  const two =
    '<gpx><wpt lat="1" lon="2"><name>One</name></wpt><wpt lat="58.1" lon="6.2"><name>Skerry</name></wpt></gpx>';
  await choose(page, 'File with places', 'two.gpx', two);
  await page.getByLabel('Point of the file').selectOption({ label: 'Skerry, 58.10 N 6.20 E' });
  await expect(page.getByLabel('Place', { exact: true })).toHaveValue('Skerry');
});
