import type { Page } from '@playwright/test';
import type { LogDocument } from '@knapsack/contract';
import { expect, test, type Knapsack } from './knapsack.js';

test.describe.configure({ timeout: 120_000 });

const FIELD = '/trips/gannet-rock-light/field';

async function beginDryRun(page: Page, { address }: Knapsack): Promise<void> {
  await page.goto(`${address}${FIELD}`);
  await page.getByRole('button', { name: /^Dry run/ }).click();
  await expect(bar(page).getByRole('button', { name: 'Pause' })).toBeVisible();
}

const bar = (page: Page) => page.locator('.dry-run');
const truth = (page: Page) => page.locator('.field-truth');
const rows = (page: Page) => page.locator('.entries li');
const clock = async (page: Page) => (await bar(page).locator('ks-time').innerText()).trim();
const logOf = async ({ address }: Knapsack) =>
  (await (await fetch(`${address}/api/logs/gannet-rock-light`)).json()) as LogDocument;

async function skipTo(page: Page, time: string): Promise<void> {
  await bar(page).locator('ks-time').getByRole('button').click();
  const field = bar(page).locator('ks-time input').first();
  await field.fill(time);
  await field.press('Enter');
}

test('an outing is rehearsed at home: instruments send, the truth stands beside the estimate, the trip’s log hears nothing', async ({
  page,
  knapsack,
}) => {
  const before = await logOf(knapsack);
  await beginDryRun(page, knapsack);
  await expect(bar(page).locator('.displays')).toContainText('Battery monitor');
  await expect(bar(page).locator('.displays')).toContainText('You look up');
  // At the usual speed: on a slow machine a faster one would be past the evening before anybody pauses it.
  const begun = await clock(page);
  await expect.poll(() => clock(page)).not.toBe(begun);
  await expect(truth(page)).toContainText(/True: \d+ %, .* the estimate\. Within it at \d+ of \d+ looks/);
  await expect(rows(page).filter({ hasText: 'Charge controller' }).first()).toContainText(
    'readings before it',
  );
  await expect(page.locator('.where-kept')).toHaveText('dry run: not in the trip’s log');

  // What is entered changes how it goes on: nothing is worked any more.
  await bar(page).getByRole('button', { name: 'Pause' }).click();
  await skipTo(page, 'Sat 23:00');
  await expect.poll(() => clock(page)).toContain('23:00');
  await page.getByRole('tab', { name: 'Work' }).click();
  await page.locator('.field-form').getByRole('button', { name: /^Stop/ }).click();
  await expect(rows(page).filter({ hasText: 'stopped' })).toHaveCount(1);
  await page.getByRole('tab', { name: 'Reading' }).click();
  await skipTo(page, 'Sun 00:30');
  // The radio is off: the lamp and the telephone are left.
  const out = bar(page).locator('.displays li').filter({ hasText: 'Inline meter' }).locator('dd').nth(1);
  await expect.poll(async () => Number.parseFloat(await out.innerText())).toBeLessThan(0.2);

  // A reload loses nothing of it.
  await page.reload();
  await expect(rows(page).filter({ hasText: 'stopped' })).toHaveCount(1);
  await expect.poll(() => clock(page)).toContain('00:30');
  await expect(truth(page)).toContainText('True:');

  await bar(page).getByRole('button', { name: 'End the dry run' }).click();
  await expect(page.getByRole('button', { name: /^Dry run/ })).toBeVisible();
  await expect(rows(page).filter({ hasText: 'sky:' })).not.toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Dry run/ })).toBeVisible();
  expect(await logOf(knapsack)).toEqual(before);
});

test('who enters the readings is chosen by instrument, and time goes forward only; a dry run stands still while the server is away, and says so', async ({
  page,
  knapsack,
}) => {
  await beginDryRun(page, knapsack);
  for (const name of ['Battery monitor', 'Charge controller']) {
    await bar(page)
      .locator('.displays li')
      .filter({ hasText: name })
      .getByRole('button', { name: 'enters its readings' })
      .click();
  }
  await bar(page).getByRole('button', { name: 'Another outing' }).click();
  await expect(bar(page).locator('.displays')).toContainText('Battery monitor');
  await skipTo(page, 'Sat 20:00');
  await expect.poll(() => clock(page)).toContain('20:0');
  await expect(truth(page)).toContainText('True:');
  await expect(rows(page)).toHaveCount(0);

  await skipTo(page, 'Sat 12:00');
  await expect(bar(page)).toContainText('a dry run goes on');
  await page.keyboard.press('Escape');

  await knapsack.stop();
  await expect(bar(page).getByRole('alert')).toContainText('Go on when it is back');
  await expect(bar(page).getByRole('button', { name: 'Go on' })).toBeVisible();
  await knapsack.resume();
  const stood = await clock(page);
  await bar(page).getByRole('button', { name: 'Go on' }).click();
  await expect.poll(() => clock(page)).not.toBe(stood);
});

test('a file of lines is played again, and what an instrument recorded is taken into the log', async ({
  page,
  knapsack,
}) => {
  const lines = Array.from({ length: 90 }, (_, minute) => {
    const ms = (minute + 1) * 60_000;
    return `B ${ms} 13.1${minute % 10} -0.60 ${95 - Math.floor(minute / 10)} -0.50 900\n# truth ${ms} ${(0.95 - minute / 1000).toFixed(4)}`;
  });
  const file = {
    name: 'monitor.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(['# start 2027-09-04T16:00:00Z', ...lines].join('\n')),
  };
  await beginDryRun(page, knapsack);
  await page.getByLabel('How long an hour takes').selectOption('720');
  await page.getByLabel('File with lines of instruments').setInputFiles(file);
  await expect(bar(page)).toContainText('played from monitor.txt');
  await expect(bar(page)).toContainText('The outing is over.');
  await expect.poll(() => clock(page)).toContain('19:30');
  await expect(truth(page)).toContainText('True: 86 %');
  await expect(rows(page)).toHaveCount(1);
  await bar(page).getByRole('button', { name: 'End the dry run' }).click();

  const before = (await logOf(knapsack)).entries.length;
  const record = page.getByLabel('Contact log, or file of an instrument');
  await page.getByRole('tab', { name: 'More' }).click();
  await record.setInputFiles(file);
  await expect(
    page.locator('ks-notices').getByText('monitor.txt: 90 entries more in the log of Gannet Rock light.'),
  ).toBeVisible();
  await expect(page.locator('.where-kept')).toHaveText('on the server');
  await record.setInputFiles({
    name: 'days.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('day,Ah in,peak W,lowest V,highest V\n2027-09-04,1.20,31,12.90,14.20\n'),
  });
  await expect(
    page.locator('ks-notices').getByText('days.csv: 2 entries more in the log of Gannet Rock light.'),
  ).toBeVisible();
  await record.setInputFiles({ name: 'a.txt', mimeType: 'text/plain', buffer: Buffer.from('rubbish') });
  await expect(
    page.locator('ks-notices').getByText('There is no line of an instrument in this file'),
  ).toBeVisible();
  await expect.poll(async () => (await logOf(knapsack)).entries.length).toBe(before + 92);
});
