import type { Page } from '@playwright/test';
import { expect, test } from './knapsack.js';

const sentence = (page: Page) => page.locator('.debrief .room-verdict');
const figure = async (page: Page, why: string) => {
  const words = await page.locator('.waterfall li').filter({ hasText: why }).locator('.ah').innerText();
  return Number.parseFloat(words.replace('−', '-').replace('+', ''));
};

test('the debrief says how it went and why, in bars that sum up, and follows what is entered', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/field`);
  await expect(page.locator('.field-sentence')).toContainText('left');
  await page.keyboard.press('g');
  await page.keyboard.press('e');
  await expect(page).toHaveURL(/debrief$/);
  await expect(sentence(page)).toContainText(
    /^\s*It most likely lasted: \d+ % left, \d+ to \d+\. The sun cost most/,
  );
  await expect(page.locator('.debrief')).toContainText('Nothing was entered after Sat 23:50');
  const rows = await page.locator('.waterfall li .ah').allInnerTexts();
  const ah = rows.map((words) => Number.parseFloat(words.replace('−', '-').replace('+', '')));
  const [planned, ...steps] = ah.slice(0, -1);
  expect(steps.reduce((sum, step) => sum + step, planned)).toBeCloseTo(ah.at(-1)!, 1);
  await expect(page.locator('.worked-lanes dd').first().locator('li')).toHaveCount(5);

  // What an instrument recorded of the second day goes in, and comes out here.
  const before = await figure(page, 'actual');
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/field`);
  await page.getByRole('tab', { name: 'More' }).click();
  await page.getByLabel('Contact log, or file of an instrument').setInputFiles({
    name: 'monitor.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(
      '# start 2027-09-05T13:00:00Z\nB 60000 13.02 -0.20 30 -12.60 900\nB 2400000 13.01 -0.20 29 -12.80 900\n',
    ),
  });
  await expect(page.locator('.where-kept')).toHaveText('on the server');
  await page.locator('.trail').getByRole('link', { name: 'Debrief' }).click();
  await expect.poll(() => figure(page, 'actual')).toBeGreaterThan(before + 1);
  await expect(page.locator('.debrief')).not.toContainText('Nothing was entered after');
});

test('a contact log is taken in, a longer one in its place, and tells the hours where nothing was entered', async ({
  page,
  knapsack,
}) => {
  const contact = (minute: number, day = '20270116') =>
    `<CALL:5>Q1A${String(minute).padStart(2, '0')}<QSO_DATE:8>${day}<TIME_ON:4>17${String(minute).padStart(2, '0')}<BAND:3>80m<MODE:2>CW<EOR>`;
  const file = (...records: readonly string[]) => ({
    ...{ name: 'log.adi', mimeType: 'text/plain' },
    buffer: Buffer.from(`<ADIF_VER:5>3.1.4<EOH>\n${records.join('\n')}`),
  });
  const minutes = (until: number) => Array.from({ length: until / 3 + 1 }, (_, place) => contact(3 * place));
  await page.goto(`${knapsack.address}/trips/winter-bothy/debrief`);
  const chooser = page.getByLabel('Contact log, or file of an instrument');
  await chooser.setInputFiles(file(...minutes(30), contact(40, '20270110')));
  const room = page.locator('.debrief');
  await expect(room).toContainText('log.adi: 1 entry more in the log of Winter bothy.');
  await expect(room).toContainText('1 contact is of another time than this outing and left out.');
  await expect(room).toContainText('Contact log: 11 contacts in 0.5 h on the air');
  await expect(room).toContainText('The hours worked are those of the contact log');
  await expect(page.locator('.worked-lanes dd').last().locator('li')).toHaveCount(1);

  await chooser.setInputFiles(file(...minutes(30), contact(40, '20270110')));
  await expect(room).toContainText('nothing of it is new');
  await chooser.setInputFiles(file(...minutes(45)));
  await expect(room).toContainText('Contact log: 16 contacts in 0.8 h on the air');
  await chooser.setInputFiles(file(contact(0, '20270110')));
  await expect(room).toContainText('No contact of this file is of the hours of Winter bothy.');
  await page.reload();
  await expect(room).toContainText('Contact log: 16 contacts in 0.8 h on the air');

  // A lifetime's are read beside the page.
  const many = Buffer.from(
    `<EOH>${'<QSO_DATE:8>20270116<TIME_ON:4>1700<NOTES:200>'.concat('x'.repeat(200), '<EOR>').repeat(60_000)}`,
  );
  await chooser.setInputFiles({ name: 'life.adi', mimeType: 'text/plain', buffer: many });
  await expect(room).toContainText('life.adi: 1 entry more in the log of Winter bothy.');
  await expect(room).toContainText('more are left out.');
});

test('an outing of which nothing is known says so, and where to enter it', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/trips/winter-bothy/debrief`);
  await expect(sentence(page)).toHaveText(
    'Nothing is known of what happened in Winter bothy: its log is empty.',
  );
  await page.locator('.debrief').getByRole('link', { name: 'Field' }).click();
  await expect(page).toHaveURL(/field$/);
});
