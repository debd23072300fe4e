import { readFileSync } from 'node:fs';
import { expect, test } from './knapsack.js';

test('the logbook shows every outing, sorts and looks through them, and each row opens its debrief', async ({
  page,
  knapsack,
}) => {
  await page.goto(knapsack.address);
  await page.keyboard.press('g');
  await page.keyboard.press('l');
  await expect(page).toHaveURL(/logbook$/);
  const rows = page.locator('.outings tbody tr');
  await expect(rows).toHaveCount(10);
  await expect(page.locator('.logbook .sentence')).toHaveText(
    'Of 9 outings 7 lasted; 8.2 were to be expected.',
    {
      timeout: 60_000,
    },
  );
  await expect(rows.first()).toContainText('Gannet Rock light');
  await expect(rows.first()).toContainText('end not entered');
  await expect(rows.filter({ hasText: 'Skua Head camp' })).toContainText('ended early, by 4 h 00');
  await expect(page.locator('.came-true')).toContainText('1 of 2 lasted');
  await expect(page.locator('.logbook')).toContainText('Dunlin 3 came along on 8 of the last ten outings');

  // By what was used, most first, then least first.
  const byUsed = page.getByRole('button', { name: 'load used' });
  await byUsed.click();
  await expect(rows.first()).toContainText('Skua Head camp');
  await expect(page.getByRole('columnheader', { name: 'load used' })).toHaveAttribute(
    'aria-sort',
    'descending',
  );
  await byUsed.press('Enter');
  await expect(rows.first()).toContainText('Godwit Flats');
  await page.getByLabel('Outings by place').selectOption('Gannet Rock');
  await expect(rows).toHaveCount(2);
  await page.getByLabel('Outings by place').selectOption('');
  await expect(rows).toHaveCount(10);

  // What was worked out stays on this device: it stands at once the next time.
  await page.reload();
  await expect(page.locator('.logbook .sentence')).toHaveText(
    /^Of 9 outings 7 lasted; 8\.2 were to be expected\.$/,
  );

  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const csv = readFileSync(await (await saved).path(), 'utf8');
  expect(csv.split('\n').filter(Boolean).length).toBe(11);
  expect(csv).toContain('skua-head-camp,Skua Head camp,Skua Head,2026-07-11T12:00');
  await rows.getByRole('link', { name: 'Tern Spit' }).click();
  await expect(page).toHaveURL(/trips\/tern-spit\/debrief$/);
  await expect(
    page.getByLabel('Lesson: A panel lead that latches: it came off twice.', { exact: true }),
  ).toBeVisible();
});

test('requirements are held against the kits of a trip, and come from lessons', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/logbook`);
  const table = page.locator('.requirements');
  await expect(table.locator('tfoot')).toContainText('6 of 6');
  await expect(table.locator('tr').filter({ hasText: 'noise of what switches, 17 m' })).toContainText(
    '0 S-units',
  );
  const weight = page.getByLabel('Target: weighs at most', { exact: true });
  await weight.fill('6');
  await weight.press('Enter');
  await expect(table).toContainText('7.13 kg, missed by 1.13 kg');
  await expect(table.locator('tfoot')).toContainText('5 of 6');
  await weight.fill('light');
  await weight.press('Enter');
  await expect(page.getByRole('alert')).toContainText('“light” is no target');
  await weight.press('Escape');

  await page.getByRole('button', { name: 'Make it a requirement: A panel lead that latches' }).click();
  await expect(page.getByLabel('Why it is required')).toHaveValue(
    'A panel lead that latches: it came off twice.',
  );
  await page.getByLabel('Measure of the new requirement').selectOption('usableAh');
  await page.getByRole('button', { name: 'Require', exact: true }).click();
  await expect(table.locator('tbody tr')).toHaveCount(7);
  await page.getByLabel('Trip whose kits are held').selectOption({ label: 'Headland contest camp' });
  await expect(table.locator('tr').filter({ hasText: 'weighs at most' })).toContainText('missed by');
  await page.reload();
  await expect(table.locator('tbody tr')).toHaveCount(7);
  await expect(table).toContainText('A panel lead that latches: it came off twice.');
});
