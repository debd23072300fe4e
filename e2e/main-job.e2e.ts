import { atRest, block, expect, openTrip, saved, test, textOf, verdict } from './knapsack.js';

const LASTS =
  'The typical outing lasts past Sun 16:00 with 9.8 Ah to spare; lowest state of charge 38 % at Sun 10:00.';

test('the main job by mouse: swap the battery, stretch a block, undo, reload', async ({ page, knapsack }) => {
  await page.goto(knapsack.address);
  await page.getByRole('link', { name: 'Gannet Rock light' }).click();
  await expect(verdict(page)).toHaveText(LASTS);

  await page.getByRole('button', { name: 'Swap Shale 18' }).click();
  await page.getByRole('button', { name: /^Shale 9/ }).click();
  await expect(verdict(page)).toContainText('ends Sun');
  await expect(verdict(page)).toContainText('the reserve comes first');
  const withSmall = await textOf(page);
  // What would fix it takes a line of its own, under which the lanes come to rest.
  await expect(page.locator('.fix').first()).toBeEnabled();

  const night = block(page, 'b3');
  const before = await atRest(night);
  await page.mouse.move(before.x + before.width - 2, before.y + before.height / 2);
  await page.mouse.down();
  await page.mouse.move(before.x + before.width - 60, before.y + before.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(verdict(page)).not.toHaveText(withSmall);
  expect((await night.boundingBox())!.width).toBeLessThan(before.width - 40);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict(page)).toHaveText(withSmall);
  expect((await night.boundingBox())!.width).toBeCloseTo(before.width, 0);

  await saved(page);
  await page.reload();
  await expect(verdict(page)).toHaveText(withSmall);
  await expect(page.getByRole('button', { name: 'Swap Shale 9' })).toBeVisible();
});

test('a block is drawn across free hours, moved, and taken out', async ({ page, knapsack }) => {
  await openTrip(page, knapsack, 'winter-bothy');
  const lane = await atRest(page.locator('.work-lane'));
  // 16:00 to 09:00: free from 22 to 6 o'clock
  const x = (hours: number) => lane.x + (lane.width * (hours - 16)) / 17;
  const y = lane.y + lane.height / 2;
  await page.mouse.move(x(23), y);
  await page.mouse.down();
  await page.mouse.move(x(25), y, { steps: 5 });
  await page.mouse.up();
  const drawn = page.locator('.block.selected');
  await expect(drawn).toHaveAttribute('aria-label', /Sat 23:00 to Sun 01:00/);

  const box = await atRest(drawn);
  await page.mouse.move(box.x + box.width / 2, y);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + (x(24) - x(23)), y, { steps: 5 });
  await page.mouse.up();
  await expect(drawn).toHaveAttribute('aria-label', /Sun 00:00 to Sun 02:00/);

  await page.keyboard.press('Delete');
  await expect(page.locator('.block')).toHaveCount(2);
});

test('a quick sum becomes a trip with one click, on a shelf that was empty', async ({ page, empty }) => {
  await page.goto(empty.address);
  await page.getByRole('link', { name: 'Just a quick sum' }).click();
  await expect(page.locator('.answer')).toContainText('Lasts 8 h 38, 2 h 38 more than the 6 h 00 wanted.');
  // The answer moves while one types, and stays so.
  await page.getByLabel('Capacity', { exact: true }).fill('6');
  await expect(page.locator('.answer')).toContainText('Lasts 4 h 19, 1 h 41 short');
  await page.keyboard.press('Enter');
  await expect(page.locator('.answer')).toContainText('Lasts 4 h 19, 1 h 41 short');
  await page.getByRole('button', { name: 'Make it a trip' }).click();
  await expect(verdict(page)).toContainText('too soon: the reserve comes first');
  await expect(page.locator('.findings')).toContainText('Assumed, not measured');
  await page.goto(empty.address);
  await expect(page.getByRole('link', { name: 'From a quick sum' })).toBeVisible();
});

test('an empty trip teaches, and takes gear of one’s own', async ({ page, empty }) => {
  await page.goto(empty.address);
  await page.getByRole('button', { name: 'Start an empty trip' }).click();
  await expect(verdict(page)).toContainText('Add a radio');
  for (const kind of [0, 1]) {
    await page.getByRole('button', { name: 'Add gear' }).click();
    await page.getByRole('button', { name: 'One of your own' }).nth(kind).click();
    await page.getByRole('button', { name: 'done' }).click();
  }
  await expect(verdict(page)).toHaveText('Add the hours in which you will operate.');
  await page.locator('.block-bar').getByRole('button', { name: 'Add hours' }).click();
  await expect(verdict(page)).toContainText('lasts past');
});

test('the panel is laid flat, taken out, and a new place is told by its locator', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  const propped = await textOf(page);
  await page.getByRole('button', { name: 'use the best aim' }).click();
  await expect(page.locator('.facts')).toContainText('° by compass');
  await expect(verdict(page)).not.toHaveText(propped);
  await page.getByLabel('Aim').selectOption('flat');
  await expect(verdict(page)).not.toHaveText(propped);
  await page.keyboard.press('Escape');

  const place = page.getByLabel('Latitude and longitude, or a locator');
  await place.fill('nowhere in particular');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('is none of these');
  await place.fill('IO91wm');
  await page.keyboard.press('Enter');
  await expect(place).toHaveValue('51.52 N 0.13 W');
  // The hours that were typed stay the hours that are shown, in the zone that now stands beside them.
  await expect(page.getByRole('button', { name: /^Outing starts/ })).toHaveText('Sat 4 Sep 10:00');
  await expect(page.locator('.where')).toContainText('Europe/London');

  await page.getByRole('button', { name: 'Swap Rill 8' }).click();
  await page.locator('.dropdown-menu.show').getByRole('button', { name: 'Leave it at home' }).click();
  await expect(page.locator('.findings')).toContainText('never a panel straight onto a battery');
});
