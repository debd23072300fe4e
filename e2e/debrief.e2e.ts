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
  // How long is sent for each is one's own to say.
  await expect(room).toContainText(/CW: 16 contacts, 21\.3 an hour\./);
  const seconds = page.getByLabel('Seconds sent for a contact in CW');
  const duty = async () => /duty cycle of (\d+) %/.exec(await room.innerText())?.[1];
  const before = await duty();
  await seconds.fill('40');
  await seconds.press('Enter');
  await expect.poll(duty).not.toBe(before);
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

/** What the plan of a later trip takes, and how many of a hundred outings last, as the debrief tells it. */
const nextPlan = (page: Page) => page.locator('.next-plans li').filter({ hasText: 'Gannet Rock light' });

test('what was learned is accepted, changes the next plan, and is taken back, by mouse', async ({
  page,
  knapsack,
}) => {
  await page.clock.setFixedTime('2027-01-20T10:00:00Z');
  await page.goto(`${knapsack.address}/trips/tern-spit/debrief`);
  const rows = page.locator('.corrections li');
  await expect(rows.filter({ hasText: 'FT8, every other slot' })).toBeVisible();
  await expect(nextPlan(page)).toContainText('lasts in');
  const shelf = async () => (await page.request.get(`${knapsack.address}/api/gear/curlew-10`)).text();
  const before = await shelf();
  const planOf = async () => {
    await page.goto(`${knapsack.address}/trips/gannet-rock-light`);
    const words = page.locator('.room-verdict, .verdict').first();
    await expect(words).toContainText('Ah');
    return words.innerText();
  };
  const accept = page.getByRole('button', { name: /^Accept: FT8, every other slot/ });
  await accept.click();
  await expect(accept).toHaveAttribute('aria-pressed', 'true');
  await expect(page.locator('.debrief h3', { hasText: 'With what is accepted' })).toBeVisible();
  await expect(nextPlan(page)).toContainText(/takes [\d.]+ Ah, not [\d.]+ Ah/);
  const told = /takes ([\d.]+) Ah, not ([\d.]+) Ah/.exec(await nextPlan(page).innerText())!;
  expect(Number(told[1])).not.toBe(Number(told[2]));
  expect(await shelf()).toContain('"source":"learned"');
  const taught = await planOf();
  // The block says so where it is planned.
  await page.locator('[data-block="b3"]').click();
  await expect(page.locator('.block-sentence')).toContainText('is used, as outings have taught');

  await page.goto(`${knapsack.address}/trips/tern-spit/debrief`);
  await expect(accept).toHaveAttribute('aria-pressed', 'true');
  await accept.click();
  await expect(accept).toHaveAttribute('aria-pressed', 'false');
  await expect.poll(shelf).toBe(before);
  expect(await planOf()).not.toBe(taught);
});

test('an outing in three figures teaches something by keys alone; lessons and what was left are kept', async ({
  page,
  knapsack,
}) => {
  await page.clock.setFixedTime('2027-01-20T10:00:00Z');
  await page.goto(`${knapsack.address}/trips/winter-bothy/debrief`);
  await expect(sentence(page)).toContainText('its log is empty');
  const used = page.getByLabel('Used, Ah');
  await used.focus();
  await page.keyboard.type('1.05');
  await page.keyboard.press('Tab');
  await page.keyboard.type('7 h 30');
  await page.keyboard.press('Tab');
  await page.keyboard.type('none');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('alert').filter({ hasText: 'The number of contacts must be a number' }),
  ).toBeVisible();
  await page.getByLabel('Contacts', { exact: true }).fill('120');
  await page.keyboard.press('Enter');
  await expect(sentence(page)).toContainText('left');
  await expect(page.locator('.debrief')).toContainText('120 contacts in 7.5 h on the air');
  const accept = page.getByRole('button', { name: /^Accept: CW, calling and running stations/ });
  await accept.focus();
  await page.keyboard.press('Space');
  await expect(accept).toHaveAttribute('aria-pressed', 'true');
  const leave = page.getByRole('button', { name: /^Leave: CW, answering calls/ });
  await leave.focus();
  await page.keyboard.press('Enter');
  await expect(leave).toHaveAttribute('aria-pressed', 'true');

  await page.getByLabel('Kind of the new lesson').selectOption('buy');
  await page.getByLabel('New lesson', { exact: true }).fill('Warmer gloves.');
  await page.keyboard.press('Enter');
  await page.getByLabel('What it is about: Warmer gloves.').selectOption({ label: 'Dunlin 3' });
  await page.getByRole('button', { name: 'Put on the wish list: Warmer gloves.' }).click();
  await expect(page.locator('ks-notices')).toContainText('“Warmer gloves” is on the wish list in Gear.');
  await expect(page.locator('.trip-header, header').first()).toContainText('saved');
  await page.reload();
  await expect(page.getByLabel('Lesson: Warmer gloves.', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done: Warmer gloves.' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(accept).toHaveAttribute('aria-pressed', 'true');
  await expect(leave).toHaveAttribute('aria-pressed', 'true');
});

test('two sources that cannot both be right are shown, and one is chosen', async ({ page, knapsack }) => {
  const entries = [
    { id: 'a1', at: '2027-01-17T07:50:00Z', kind: 'reading', state: 'off', outAh: 0.6 },
    { id: 'a2', at: '2027-01-17T07:55:00Z', kind: 'reading', state: 'off', source: 'meter', outAh: 1.1 },
  ];
  await page.request.post(`${knapsack.address}/api/logs/winter-bothy`, {
    data: { schema: 'knapsack.log', version: 2, trip: 'winter-bothy', entries },
  });
  await page.goto(`${knapsack.address}/trips/winter-bothy/debrief`);
  const room = page.locator('.debrief');
  await expect(room).toContainText('They disagree. typed readings: 0.60 Ah; Inline meter: 1.10 Ah.');
  await room.getByRole('button', { name: 'Go by: Inline meter' }).click();
  await expect(room).toContainText('Set aside: typed readings.');
  await expect(room).not.toContainText('They disagree');
  await expect.poll(() => figure(page, 'actual')).toBeGreaterThan(0.95);
  await room.getByRole('button', { name: /Weigh it again/ }).click();
  await expect(room).toContainText('They disagree');
});

test('a meter’s table comes in, its columns said by hand; one of another day is refused', async ({
  page,
  knapsack,
}) => {
  const table = (day: string) => ({
    ...{ name: 'meter.csv', mimeType: 'text/csv' },
    buffer: Buffer.from(
      `clock,first,second\n${Array.from({ length: 100 }, (_, row) => {
        const at = new Date(Date.parse(`${day}T15:00:00Z`) + row * 600_000).toISOString();
        // In the blocks of the plan, from the second hour to the sixth and from the fifteenth on.
        const isOn = (row >= 6 && row < 36) || (row >= 84 && row < 99);
        return `${at},13.0,${isOn ? 0.17 : 0}`;
      }).join('\n')}\n`,
    ),
  });
  await page.goto(`${knapsack.address}/trips/winter-bothy/debrief`);
  const room = page.locator('.debrief');
  const chooser = page.getByLabel('File of readings');
  await chooser.setInputFiles(table('2027-01-16'));
  await page.getByLabel('Column of the time').selectOption({ label: 'clock' });
  await page.getByLabel('Column of the volts').selectOption({ label: 'first' });
  await page.getByLabel('Column of the amps').selectOption({ label: 'second' });
  await page.getByRole('button', { name: 'Use these columns' }).click();
  await expect(room).toContainText(/meter\.csv: 3\d entries more in the log of Winter bothy\./);
  await expect(room).toContainText(/Inline meter: 3\d readings/);
  // 0.17 A for seven and a half hours.
  await expect.poll(() => figure(page, 'actual')).toBeGreaterThan(1.15);
  await chooser.setInputFiles(table('2027-02-20'));
  await page.getByLabel('Column of the time').selectOption({ label: 'clock' });
  await page.getByLabel('Column of the volts').selectOption({ label: 'first' });
  await page.getByLabel('Column of the amps').selectOption({ label: 'second' });
  await page.getByRole('button', { name: 'Use these columns' }).click();
  await expect(room).toContainText('which is not this outing. Nothing was taken in.');
});
