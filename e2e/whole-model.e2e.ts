import { block, expect, openTrip, saved, test, textOf, verdict } from './knapsack.js';

test('a share is counted in slots and calls, there and back', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await block(page, 'b3').click();
  const share = page.getByLabel('Transmit duty cycle', { exact: true });
  await expect(share).toHaveValue('42');
  await expect(page.getByLabel('One slot in how many')).toHaveValue('2');
  await page.getByLabel('One slot in how many').fill('4');
  await page.keyboard.press('Enter');
  // 12.64 s of 15 s, every fourth slot
  await expect(share).toHaveValue('21.07');

  await block(page, 'b4').click();
  await page.getByLabel('How many calls a minute').fill('2');
  await page.keyboard.press('Enter');
  await expect(share).toHaveValue('20');
  await page.getByLabel('Length of one call').fill('40');
  await page.keyboard.press('Enter');
  await expect(page.locator('.notices')).toContainText('80 s of transmitting in every minute');
  await expect(share).toHaveValue('20');
  await page.getByLabel('Mode').selectOption('SSB processed');
  await expect(page.locator('[data-unfolds="load"]')).toBeVisible();
  await page.locator('[data-unfolds="load"]').click();
  // heavy processing: 0.22 + 0.6 x (1.92 - 0.22)
  await expect(page.locator('.sum')).toContainText('0.60 × (1.92 A − 0.22 A)');
});

test('weather is simulated, read from a file with gaps, and undone', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const painted = await textOf(page);
  await page.getByRole('button', { name: 'simulate it' }).click();
  await expect(page.locator('.facts')).toContainText('simulated, not forecast');
  await expect(verdict(page)).not.toHaveText(painted);

  const table = 'time,cloud %\n2027-09-04 10:00,20\n2027-09-04 11:00,20\n2027-09-04 12:00,30\nsoon,5\n';
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'read a forecast file' }).click();
  await (await chooser).setFiles({ name: 'sky.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await expect(page.locator('.notices')).toContainText('row 5: “soon” is not a time');
  await expect(page.locator('.notices')).toContainText('It says nothing of Sat 13:00 to Sun 16:00');
  await expect(page.locator('.facts')).toContainText('from a forecast file');

  const before = await textOf(page);
  const again = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'read a forecast file' }).click();
  await (await again).setFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from('a picture') });
  await expect(page.locator('.notices')).toContainText('needs headings');
  await expect(verdict(page)).toHaveText(before);

  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(verdict(page)).toHaveText(painted);
});

test('shade, skyline, turns of the panel and a stand that ends too low change the harvest, in watts', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  const facts = page.locator('ks-panel-facts');
  await facts.getByLabel('Aim').selectOption({ label: 'turned to the sun' });
  await facts.getByRole('button', { name: 'limit its tilt' }).click();
  await page.getByLabel('Greatest tilt of the stand').fill('22');
  await page.keyboard.press('Enter');
  await expect(page.locator('.findings')).toContainText(/The stand tilts from 20 to 22°.* W less on average/);
  await page.getByLabel('Greatest tilt of the stand').fill('10');
  await page.keyboard.press('Enter');
  await expect(page.locator('.facts .problem')).toContainText('must not be less than its least');
  await page.keyboard.press('Escape');

  const before = await textOf(page);
  await page.getByLabel('Skyline: directions and heights in degrees').fill('north wall');
  await page.keyboard.press('Enter');
  await expect(page.locator('.facts .problem')).toContainText('like “90 at 10, 180 at 25”');
  await page.getByLabel('Skyline: directions and heights in degrees').fill('90 at 60, 270 at 60');
  await page.keyboard.press('Enter');
  await expect(verdict(page)).not.toHaveText(before);
  await page.getByLabel('Aim').selectOption('at');
  await page.getByRole('button', { name: 'another turn' }).click();
  await expect(page.getByRole('button', { name: /^Turn,/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'hours of shade' }).click();
  await expect(page.getByLabel('What shades it')).toHaveCount(3);
  await page
    .getByRole('button', { name: /^Remove shade/ })
    .last()
    .click();
  await expect(page.getByLabel('What shades it')).toHaveCount(2);
  await saved(page);
});

test('batteries in turn, panels in series, a lamp with its own rule', async ({ page, knapsack }) => {
  await openTrip(page, knapsack, 'headland-contest-camp');
  await expect(verdict(page)).toContainText('outing ends');
  await page.locator('[data-unfolds="events"]').click();
  await expect(page.locator('.sum')).toContainText('the next battery, Cobble 17');
  await page.keyboard.press('Escape');
  await page.getByLabel('Use of the batteries').selectOption('parallel');
  // The stops of the plan before stand until this one is worked out: then it is the only one.
  await expect(page.locator('.findings .stop')).toHaveText([/different kinds in parallel fight each other/]);
  await page.getByLabel('Use of the batteries').selectOption('turns');
  // What Wire stops in this kit stays.
  await expect(page.locator('.findings')).not.toContainText('different kinds in parallel fight each other');

  await page.locator('[data-gear="bracken-100"] .bag-name').click();
  await page.locator('.dropdown-item:visible', { hasText: 'two in series' }).click();
  await expect(page.locator('[data-gear="bracken-100"]')).toContainText('2 in series');
  // four in one string rise over what the controller survives in the cold
  await page.locator('[data-gear="bracken-100"] .bag-name').click();
  await page.locator('.dropdown-item:visible', { hasText: 'More of them' }).click();
  await expect(page.locator('[data-gear="bracken-100"]')).toContainText('2 in series × 2');

  await page.locator('[data-gear="van-fan"] .bag-name').click();
  await page.locator('.dropdown-item:visible', { hasText: 'When it is on' }).click();
  await page.getByLabel('When it is on').selectOption('minutes');
  await page.getByLabel('Minutes of every hour').fill('75');
  await page.keyboard.press('Enter');
  await expect(page.locator('.rule-sentence .problem')).toContainText('at most 60 min');
  await page.getByLabel('Minutes of every hour').fill('15');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-gear="van-fan"]')).toContainText('15 min of every hour');
});

test('milliampere-hours typed as ampere-hours are asked about', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await page.locator('[data-gear="shale-18"] .bag-name').click();
  await page.locator('.dropdown-item:visible', { hasText: 'Its figures' }).click();
  const capacity = page.locator('.gear-figures').getByLabel('rated capacity', { exact: true });
  await capacity.fill('12000');
  await page.keyboard.press('Enter');
  await expect(page.locator('.gear-figures .problem')).toContainText('12000 mAh are 12 Ah');
  await capacity.fill('1200');
  await page.keyboard.press('Enter');
  await expect(page.locator('.gear-figures .problem')).toContainText('whichever is meant');
  await capacity.fill('12000 mAh');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-gear="shale-18"]')).toContainText('12.0 Ah LiFePO4');
});

test('a station that runs unattended comes back by itself and is judged by its availability', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  await page.getByLabel('Who is there').selectOption({ label: 'it runs unattended' });
  const odds = page.locator('.verdict .odds');
  await expect(odds).toContainText('of the hours wanted in');
  await expect(page.locator('.verdict .told')).toContainText('The typical one is up for');
  await page.getByLabel('Target availability').fill('99');
  await page.keyboard.press('Enter');
  await expect(odds).toContainText('Up for at least 99 % of the hours wanted');
  await page.getByRole('button', { name: 'running unattended' }).click();
  await expect(page.locator('.sum-popover')).toContainText(/January.*up \d+/s);
  await page.keyboard.press('Escape');
  await page.getByLabel('Who is there').selectOption({ label: 'somebody is there' });
  await expect(odds).toContainText('Lasts in');
});

test('a panel without any sky has no verdict, until the season’s usual weather is taken', async ({
  page,
  knapsack,
}) => {
  const response = await page.request.get(`${knapsack.address}/api/trips/gannet-rock-light`);
  const { weather: _none, ...trip } = (await response.json()) as { weather: unknown };
  const made = await page.request.post(`${knapsack.address}/api/trips`, { data: { ...trip, id: 'no-sky' } });
  expect(made.status()).toBe(201);
  await page.goto(`${knapsack.address}/trips/no-sky`);
  const verdict = page.locator('.verdict');
  await expect(verdict).toContainText('what the panel gives depends on the sky');
  await verdict.getByRole('button', { name: /usual weather/ }).click();
  await expect(verdict).toContainText('simulated outings');
  await expect(verdict).toContainText('temperate, mild inland');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict).toContainText('what the panel gives depends on the sky');
});
