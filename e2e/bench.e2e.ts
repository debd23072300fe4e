import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { atRest, expect, openTrip, test, textOf, verdict } from './knapsack.js';

test('a measuring session changes the verdict of the trip', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const before = await textOf(page);
  await page.keyboard.press('g');
  await page.keyboard.press('b');
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  await page.getByLabel('What the radio does').selectOption('cw');
  await page.getByLabel('Readings a second').selectOption('10');
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  // Some minutes of the meter's clock.
  await expect(page.locator('.live')).toContainText(/\d{3} s/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('heading', { name: 'Bench' }).click();
  await page.keyboard.press('m');
  await expect(page.locator('.marks')).toContainText('CW in real use');
  await expect(page.locator('.marks')).toContainText(/factor 0\.4\d/);

  // Someone talks all the time in this one: key down it was, says the user, at 2 W.
  await page.getByLabel('What segment 1 was').selectOption('byEar');
  await page.keyboard.press('Escape');
  await page.getByRole('heading', { name: 'Bench' }).click();
  await page.keyboard.press('s');
  await expect(page.locator('.notices')).toContainText(/Saved onto Curlew 10\. Gannet Rock light loses \d/);
  await expect(page.locator('.marks')).toContainText('saved');
  await openTrip(page, knapsack);
  await expect(verdict(page)).not.toHaveText(before);
});

test('the stretches are proposed, drawn by hand, and taken out', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/bench`);
  await page.getByLabel('What the radio does').selectOption('slots');
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  // Several slots of 15 s, so that there is a stretch between two of them.
  await expect(page.locator('.live')).toContainText(/\d{3} s/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.locator('.origin')).toContainText(
    'The trace is from a simulated meter in the cable of Curlew 10.',
  );
  await expect(page.locator('.origin')).toContainText('never count as measured');
  await page.getByRole('button', { name: 'find segments' }).click();
  await expect(page.locator('.marks tr').first()).toContainText('key down');
  const count = await page.locator('.marks tr').count();
  expect(count).toBeGreaterThan(1);
  await page.getByRole('button', { name: 'Remove segment 1', exact: true }).click();
  await expect(page.locator('.marks tr')).toHaveCount(count - 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.marks tr')).toHaveCount(count);
  await page.getByRole('button', { name: 'Remove segment 1', exact: true }).click();
  const lane = await atRest(page.locator('.trace'));
  await page.mouse.move(lane.x + 8, lane.y + 40);
  await page.mouse.down();
  await page.mouse.move(lane.x + 60, lane.y + 40, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator('.marks tr')).toHaveCount(count);

  // One power for all of them, and all of them saved at once: receiving and key down each into its own figure.
  await page.getByLabel('Power in all segments').fill('8');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel(/^Power in segment/).first()).toHaveValue('8');
  await page.getByRole('button', { name: 'Save all onto Curlew 10' }).click();
  await expect(page.locator('.notices')).toContainText('Saved onto Curlew 10.');
  await expect(page.locator('.marks .saved').first()).toBeVisible();
  const kept = await page.request.get(`${knapsack.address}/api/gear/curlew-10`);
  const { transmit } = (await kept.json()) as { transmit: { rfW: number; source: string }[] };
  // A simulated meter measures nothing.
  const at8W = transmit.filter(({ rfW }) => rfW === 8);
  expect(at8W.map(({ source }) => source)).toEqual(['simulated']);
});

test('a recording goes on in other rooms, and goes out as a file that the bench reads back; a meter that stops in mid-session leaves what it read', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/bench`);
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(page.locator('.live')).toContainText(/\d\d s/, { timeout: 30_000 });
  await page.getByRole('heading', { name: 'Bench' }).click();
  await page.keyboard.press('m');
  await expect(page.locator('.marks tr')).toHaveCount(1);
  await page.getByRole('link', { name: 'Bench, recording' }).waitFor();
  await page.getByRole('link', { name: 'Gear' }).click();
  await expect(page.getByRole('heading', { name: 'Gear' })).toBeVisible();
  await page.getByRole('link', { name: 'Bench, recording' }).click();
  await expect(page.locator('.live')).toContainText(/\d\d\d s/, { timeout: 30_000 });
  await expect(page.locator('.marks tr')).toHaveCount(1);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('link', { name: 'Bench', exact: true })).toBeVisible();
  const shown = await page.locator('.live').textContent();

  // The stretch that was marked stands unsaved, then nothing is marked: leaving asks either way, until a file keeps it.
  await expectAsked(page);
  await page.getByRole('button', { name: 'Remove segment 1', exact: true }).click();
  await expectAsked(page);
  await page.getByRole('button', { name: 'Undo' }).click();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'save it as CSV' }).click();
  const text = await readFile(await (await download).path(), 'utf8');
  expect(text.startsWith('time s,volts,amps\n0,')).toBe(true);
  await give(page, 'readings.csv', text);
  await expect(page.locator('.notices')).toContainText('readings from readings.csv');
  await expect(page.locator('.live')).toHaveText(shown!);
  await expect(page.locator('.marks tr')).toHaveCount(0);
  await page.getByRole('button', { name: 'restore the one before' }).click();
  await expect(page.locator('.marks tr')).toHaveCount(1);
  await expect(page.locator('.live')).toHaveText(shown!);

  await page.getByRole('button', { name: 'Record' }).click();
  // Until the new one has readings, the seconds of the one before stand there.
  await expect(page.locator('.live')).not.toHaveText(shown!);
  await expect(page.locator('.live')).toContainText(/\d\d s/, { timeout: 30_000 });
  await knapsack.stop();
  await expect(page.getByRole('alert')).toContainText('The meter stopped in mid-session');
  await page.getByRole('button', { name: 'mark the remainder' }).click();
  await expect(page.locator('.marks tr')).toHaveCount(1);
  await knapsack.resume();
});

const give = async (page: Page, name: string, content: string) => {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Read a file of readings' }).click();
  await (await chooser).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
};

test('a large file of readings is read beside the page; a bad one says why', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/bench`);
  await give(page, 'bad.csv', 'colour,size\nred,2\n');
  await expect(page.locator('.notices')).toContainText('time and volts and amps cannot be found');
  const rows = Array.from(
    { length: 200_000 },
    (_, index) => `${index / 10};13,2;${index % 600 < 120 ? '1,92' : '0,14'}`,
  );
  const twice = [...rows, ...rows.map((row) => `2${row}`)].join('\n');
  await give(page, 'long.csv', `time s;volts;amps\n${twice}\n`);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Read a file of readings' })).toBeVisible();
  await expect(page.locator('.live')).toContainText('Press Record');
  rows[1000] = 'soon;13;1';
  await give(page, 'meter.csv', `time s;volts;amps\n${rows.join('\n')}\n`);
  await expect(page.locator('.notices')).toContainText('199,999 readings from meter.csv', {
    timeout: 60_000,
  });
  await expect(page.locator('.notices')).toContainText('row 1002');
  await expect(page.locator('.live')).toContainText('20000 s');
  await expect(page.locator('.origin')).toHaveText('The trace is from file meter.csv.');
});

test('columns that the headings do not tell are said by hand; a duty cycle that was found goes to a trip', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/bench`);
  // Calls of 6 s in every 24 s, as a meter in the radio's cable reads them.
  const rows = Array.from(
    { length: 240 },
    (_, second) => `${second};20,1;13,2;${second % 24 < 6 ? '1,9' : '0,14'}`,
  );
  await give(page, 'logger.csv', `Zeit [s];PV [V];Batt [V];Batt [A]\n${rows.join('\n')}\n`);
  await expect(page.getByRole('group', { name: 'Columns of the file' })).toBeVisible();
  const readIt = page.getByRole('button', { name: 'Use these columns' });
  await page.getByLabel('Column of the time').selectOption({ label: 'Zeit [s]' });
  await page.getByLabel('Column of the volts').selectOption({ label: 'Batt [V]' });
  await page.getByLabel('Column of the amps').selectOption({ label: 'Batt [V]' });
  await expect(readIt).toBeDisabled();
  await page.getByLabel('Column of the amps').selectOption({ label: 'Batt [A]' });
  await readIt.click();
  await expect(page.locator('.notices')).toContainText('240 readings from logger.csv');
  await page.getByRole('button', { name: 'mark the remainder' }).click();
  await page.getByLabel('What segment 1 was').selectOption('SSB');
  await expect(page.locator('.marks')).toContainText('duty cycle 25 %');
  await page.getByLabel('Trip that takes the duty cycle of SSB').selectOption({ label: 'Gannet Rock light' });
  await expect(page.locator('.notices')).toContainText(
    'One block of Gannet Rock light now has a duty cycle of 25 %.',
  );
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await page.getByLabel('Trip that takes the duty cycle of SSB').selectOption({ label: 'Winter bothy' });
  await expect(page.locator('.notices')).toContainText(
    'Winter bothy has no block in SSB; nothing was changed.',
  );
});

test('a battery is tested through the simulated load, and the test is kept', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/bench`);
  await page.getByLabel('Battery', { exact: true }).selectOption({ label: 'Ten loose cells' });
  await page.getByRole('button', { name: 'discharge it with' }).click();
  await expect(page.locator('.live')).toContainText('A');
  const test = page.locator('ks-capacity-test');
  // 2.4 Ah at 2 A: a little over an hour, at ninety seconds a reading.
  await expect(test).toContainText('as the label counts', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(test).toContainText('% of the label');
  await test.getByRole('button', { name: 'save onto Ten loose cells' }).click();
  await expect(page.locator('.notices')).toContainText('Saved onto Ten loose cells.');
  await page.goto(`${knapsack.address}/gear`);
  await expect(page.locator('[data-gear="cells-10"]')).toContainText(
    /measured capacity\s*2\.\d+ Ah\s*simulated/,
  );
});

test('readings of a panel are held against the trip’s sun', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/bench`);
  // Sunday noon at the light, at about what the demo’s panel gives with the truth it was measured with.
  const rows = Array.from(
    { length: 30 },
    (_, minute) => `2027-09-05T12:${String(minute).padStart(2, '0')}:00+02:00,13.3,2.0`,
  );
  await give(page, 'panel.csv', `time,volts,amps\n${rows.join('\n')}\n`);
  await expect(page.locator('.notices')).toContainText('30 readings');
  const check = page.locator('ks-panel-check');
  await check.getByLabel('Trip').selectOption({ label: 'Winter bothy' });
  await expect(check).toContainText('has no panel in its bag');
  await check.getByLabel('Trip').selectOption({ label: 'Gannet Rock light' });
  await expect(check).toContainText(/Frond 42 gives 8\d ± \d % of its label/);
  await check.getByRole('button', { name: 'save onto Frond 42' }).click();
  await expect(page.locator('.notices')).toContainText(
    /Saved onto Frond 42\. Gannet Rock light (gains|loses)/,
  );
});

/** Expects that leaving the page asks first, and stays on it. */
async function expectAsked(page: Page): Promise<void> {
  const [dialog] = await Promise.all([
    page.waitForEvent('dialog'),
    page.evaluate(() => setTimeout(() => location.reload())),
  ]);
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
}
