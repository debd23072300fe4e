import { block, expect, openTrip, saved, test, textOf, twoTabsApart, verdict } from './knapsack.js';

test('bad values get a sentence beside the field and change nothing; one that is not mended stays with its own block', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  const before = await textOf(page);
  await block(page, 'b2').click();
  await page.getByLabel('Transmit duty cycle', { exact: true }).fill('150');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText(
    'The transmit duty cycle must be between 0 and 100 %; 150 % is not.',
  );
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alert')).toHaveCount(0);

  await page.getByRole('button', { name: /^Block ends/ }).click();
  await page.getByRole('textbox', { name: 'Block ends' }).fill('2027-09-04T12:00');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('A block must end after it starts.');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: /^Outing ends/ }).click();
  await page.getByRole('textbox', { name: 'Outing ends' }).fill('2027-09-01T12:00');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('The outing must end after it starts.');
  await page.keyboard.press('Escape');

  const place = page.getByLabel('Latitude and longitude, or a locator');
  await place.fill('95 N 5 E');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('this place is off the globe');
  await place.press('Escape');
  await expect(verdict(page)).toHaveText(before);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

  await block(page, 'b2').click();
  const power = page.locator('.block-sentence').getByLabel('Power');
  await power.fill('-5');
  await block(page, 'b3').click();
  await expect(power).toHaveValue('5');
  await expect(page.locator('.block-sentence .problem')).toHaveCount(0);
  await block(page, 'b2').click();
  await expect(power).toHaveValue('-5');
  await expect(page.locator('.block-sentence .problem')).toBeVisible();
  await expect(power).toHaveAttribute('aria-invalid', 'true');
  await power.focus();
  await page.keyboard.press('Escape');
  await expect(power).toHaveValue('10');
});

test('nothing is lost while the server is stopped, nor by a reload in mid-edit, nor of what was typed into a field and not entered', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  await knapsack.stop();
  await block(page, 'b2').focus();
  await page.keyboard.press('[');
  await expect(page.locator('.save-state')).toContainText('kept in this browser');
  await knapsack.resume();
  await saved(page);

  await block(page, 'b2').focus();
  await page.keyboard.press('[');
  await page.reload();
  await expect(block(page, 'b2')).toContainText('2 W');
  await saved(page);

  await page.getByLabel('Name of the trip').fill('Half a name');
  await page.reload();
  await expect(page.getByLabel('Name of the trip')).toHaveValue('Half a name');
  await saved(page);
});

test('a server that stops before the page is whole leaves the picture, and says what did not load', async ({
  page,
  knapsack,
  complaints,
}) => {
  await page.route(/chunk-.*\.js$/, async (route) => {
    const answer = await route.fetch();
    await ((await answer.text()).includes('selectors:[["ks-facts"]]')
      ? route.abort()
      : route.fulfill({ response: answer }));
  });
  await page.goto(`${knapsack.address}/trips/gannet-rock-light`);
  await expect(page.locator('aside').getByRole('alert')).toContainText('did not load');
  await expect(verdict(page)).toContainText(/lasts|ends/);
  expect(
    complaints.splice(0).every((said) => said.includes('Failed to fetch dynamically imported module')),
  ).toBe(true);
});

test('two tabs that changed different things of a trip are brought together; where both changed the same, one is asked', async ({
  page,
  context,
  knapsack,
}) => {
  const other = await twoTabsApart(page, context, knapsack, { block: 'b3', times: 1 });
  await expect(page.locator('.notice')).toContainText('Both changes stand.');
  await expect(block(page, 'b2')).toContainText('5 W');
  await expect(block(page, 'b3')).toContainText('2 W');
  await saved(page);
  await other.reload();
  await expect(block(other, 'b3')).toContainText('2 W');

  // Once more, now of the same block.
  await block(other, 'b2').focus();
  await other.keyboard.press('[');
  await saved(other);
  await block(page, 'b2').focus();
  await page.keyboard.press(']');
  await expect(page.getByRole('alert')).toContainText('changed or deleted elsewhere');
  await page.getByRole('button', { name: 'Use the other one' }).click();
  await expect(block(page, 'b2')).toContainText('2 W');
  await page.keyboard.press('Control+z');
  await expect(block(page, 'b2')).toContainText('10 W');
  await saved(page);
});

test('a trip deleted in another tab is put back with what was typed here', async ({
  page,
  context,
  knapsack,
}) => {
  await openTrip(page, knapsack, 'winter-bothy');
  const other = await context.newPage();
  await other.goto(knapsack.address);
  await other.getByRole('button', { name: 'Delete Winter bothy' }).click();
  await expect(other.getByRole('link', { name: 'Winter bothy' })).toHaveCount(0);

  await block(page, 'b1').focus();
  await page.keyboard.press('[');
  await page.getByRole('button', { name: 'Keep what I see here' }).click();
  await saved(page);
  await page.reload();
  await expect(block(page, 'b1')).toContainText('1 W');
});

test('what is ticked in one tab and planned in another never clash, and a trip that was deleted comes back ticked', async ({
  page,
  context,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/trips/winter-bothy/pack`);
  const other = await context.newPage();
  await openTrip(other, knapsack, 'winter-bothy');
  const tick = page.getByRole('checkbox').first();
  await tick.check();
  await block(other, 'b1').focus();
  await other.keyboard.press('[');
  await saved(other);
  await saved(page);
  await page.getByRole('checkbox').nth(1).check();
  await saved(page);
  await expect(page.locator('.ticks')).toContainText(/^ *2 of/);
  await page.reload();
  await expect(page.locator('.ticks')).toContainText(/^ *2 of/);
  // Taking an edit of the plan back leaves them.
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await other.close();

  await page.goto(knapsack.address);
  await page.getByRole('button', { name: 'Delete Winter bothy' }).click();
  await page.getByRole('button', { name: 'Restore Winter bothy' }).click();
  await expect(page.getByRole('link', { name: 'Winter bothy' })).toBeVisible();
  await page.goto(`${knapsack.address}/trips/winter-bothy/pack`);
  await expect(page.locator('.ticks')).toContainText(/^ *2 of/);
});

test('deleted trips can be restored, several of them and in another tab, until they are let go', async ({
  page,
  context,
  knapsack,
}) => {
  await page.goto(knapsack.address);
  for (const name of ['Winter bothy', 'Headland contest camp']) {
    await page.getByRole('button', { name: `Delete ${name}` }).click();
    await expect(page.getByRole('link', { name })).toHaveCount(0);
  }
  await page.reload();
  await expect(page.locator('.deleted li')).toHaveCount(2);
  await page.getByRole('button', { name: 'Restore Winter bothy' }).click();
  await expect(page.getByRole('link', { name: 'Winter bothy' })).toBeVisible();
  await expect(page.locator('.deleted li')).toHaveText(/Headland contest camp/);
  const other = await context.newPage();
  await other.goto(knapsack.address);
  await other.getByRole('button', { name: 'Let Headland contest camp go' }).click();
  await expect(other.locator('.deleted')).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('link', { name: 'Winter bothy' })).toBeVisible();
  await expect(page.locator('.deleted')).toHaveCount(0);
});

test('what two tabs have typed while the server was stopped is there when both have been closed', async ({
  page,
  context,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  const other = await context.newPage();
  await openTrip(other, knapsack);
  await knapsack.stop();
  await block(page, 'b2').focus();
  await page.keyboard.press('[');
  await expect(page.locator('.save-state')).toContainText('kept in this browser');
  await block(other, 'b3').focus();
  await other.keyboard.press('[');
  await expect(other.locator('.save-state')).toContainText('kept in this browser');
  await page.goto('about:blank');
  await other.close();
  await knapsack.resume();
  await openTrip(page, knapsack);
  await expect(block(page, 'b2')).toContainText('5 W');
  await expect(block(page, 'b3')).toContainText('2 W');
  await saved(page);
});

test('a save that the server cannot do is told, tried again, and gets through', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  let refusals = 2;
  await page.route('**/api/trips/gannet-rock-light', async (route) => {
    if (route.request().method() !== 'PUT' || refusals-- <= 0) return route.fallback();
    await route.fulfill({
      status: 507,
      contentType: 'application/problem+json',
      body: JSON.stringify({
        title: 'No room left',
        status: 507,
        detail: 'The disk with Knapsack’s data is full.',
      }),
    });
  });
  await block(page, 'b2').focus();
  await page.keyboard.press('[');
  await expect(page.locator('.save-state')).toContainText('tried again');
  await expect(page.getByRole('alert')).toContainText('The disk with Knapsack’s data is full.');
  await saved(page);
  expect(refusals).toBeLessThan(0);
});
