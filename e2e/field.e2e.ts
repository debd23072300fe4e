import { readFile } from 'node:fs/promises';
import type { LogDocument } from '@knapsack/contract';
import { DEMO_ENTRIES, entries, openField, rows, sentence } from './field.js';
import { expect, test } from './knapsack.js';

test.describe.configure({ timeout: 180_000 });

test('a reading that does not fit is told and left out, counted where one says so, and taken back', async ({
  page,
  knapsack,
}) => {
  await openField(page, knapsack);
  const calm = (await sentence(page).textContent())!;
  await page.getByRole('button', { name: '%', exact: true }).click();
  await page.getByLabel('Reading, %').fill('1');
  await page.keyboard.press('Enter');
  await expect(rows(page).first()).toContainText('1 %');
  await expect(rows(page).first()).toContainText('does not fit, left out');
  await expect(sentence(page)).toHaveText(calm);
  await rows(page).first().getByRole('button', { name: 'Count it' }).click();
  await expect(rows(page).first()).toContainText('counted all the same');
  await expect(sentence(page)).not.toHaveText(calm);
  await rows(page)
    .first()
    .getByRole('button', { name: /^Take back/ })
    .click();
  await expect(rows(page)).toHaveCount(DEMO_ENTRIES);
  await expect(sentence(page)).toHaveText(calm);
  // Nothing is ever deleted.
  expect((await entries(knapsack)).length).toBe(DEMO_ENTRIES + 3);
});

test('the log goes out as a file, and one of another device comes in', async ({ page, knapsack }) => {
  await openField(page, knapsack);
  await page.getByRole('tab', { name: 'More' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the log as a file' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('gannet-rock-light-log.json');
  const log = JSON.parse(await readFile(await download.path(), 'utf8')) as LogDocument;
  expect(log.entries.length).toBe(DEMO_ENTRIES);
  const entry = { id: 'theirs', at: '2027-09-05T01:00:00+02:00', kind: 'note', note: 'Tide turned.' };
  const take = (name: string, content: unknown) =>
    page.getByLabel('File with a log').setInputFiles({
      ...{ name, mimeType: 'application/json' },
      buffer: Buffer.from(JSON.stringify(content)),
    });
  await take('theirs.json', { ...log, entries: [...log.entries, entry] });
  await expect(page.locator('.notice')).toContainText(
    'theirs.json: 1 entry more in the log of Gannet Rock light.',
  );
  await expect(rows(page).first()).toContainText('Tide turned.');
  await take('bad.json', { ...log, trip: 'other' });
  await expect(page.locator('.notice')).toContainText('is of “other”');
  await expect(rows(page)).toHaveCount(DEMO_ENTRIES + 1);
});

test('the room is looked at as if it were another time', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/field`);
  await expect(page.locator('.field-state')).toContainText('as if it were Sat 4 Sep 23:50');
  await expect(sentence(page)).toContainText('left');
  const late = (await sentence(page).textContent())!;
  await page.getByRole('button', { name: /^The moment to look at/ }).click();
  await page.getByLabel('The moment to look at').fill('Sat 14:00');
  await page.keyboard.press('Enter');
  await expect(page.locator('.field-state')).toContainText('as if it were Sat 4 Sep 14:00');
  await expect(sentence(page)).not.toHaveText(late);
  await expect(rows(page).first()).toContainText('later than now');
});

test('what is left is shared out by the hour, and a newer forecast is looked at before it is taken', async ({
  page,
  knapsack,
}) => {
  await openField(page, knapsack);
  const told = page.locator('.ration-from-here');
  await told.getByRole('button', { name: 'How to spend what is left' }).click();
  await expect(told).toContainText('Read the state of charge each hour and follow the table');
  await expect(told.locator('dt').first()).toHaveText('from Sun 02:00');
  await expect(told.locator('dd').first()).toContainText('W (');

  const calm = (await sentence(page).textContent())!;
  const forecast = (from: string) => ({
    schema: 'knapsack.weather',
    version: 1,
    source: 'forecast',
    hours: Array.from({ length: 14 }, (_, hour) => ({
      start: new Date(Date.parse(from) + hour * 3_600_000).toISOString(),
      cloud: 1,
      rain: true,
    })),
  });
  const take = (content: unknown) =>
    page.getByLabel('File with a newer forecast').setInputFiles({
      ...{ name: 'newer.json', mimeType: 'application/json' },
      buffer: Buffer.from(JSON.stringify(content)),
    });
  await page.getByRole('tab', { name: 'Sky' }).click();
  await take(forecast('2027-09-01T00:00:00+02:00'));
  const says = page.locator('ks-newer-forecast');
  await expect(says).toContainText('says nothing of the hours that are left');
  await take(forecast('2027-09-05T02:00:00+02:00'));
  await expect(says).toContainText('With this forecast: Lasts in');
  // Looked at, and not taken: the plan stands.
  await expect(sentence(page)).toHaveText(calm);
  const lasts = /Lasts in .*? simulated outings/.exec((await says.textContent())!)![0];
  await says.getByRole('button', { name: 'Take it for the hours that are left' }).click();
  await expect(sentence(page)).toContainText(lasts);
  await expect(told).toContainText('Something was entered since.');
  await page.keyboard.press('Control+z');
  await expect(sentence(page)).toHaveText(calm);
});
