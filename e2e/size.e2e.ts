import type { Page } from '@playwright/test';
import { expect, saved, test, type Knapsack } from './knapsack.js';

async function openSize(page: Page, { address }: Knapsack, id = 'gannet-rock-light'): Promise<void> {
  await page.goto(`${address}/trips/${id}/size`);
  // The search uses every core, which other tests use as well; how fast it is, the bench says.
  await expect(
    page.locator('.standing', { hasText: /kits, each tried in 400 simulated outings/ }),
  ).toBeVisible({ timeout: 60_000 });
}

test('a kit of the front is tried on by keyboard and undone; the lightest that makes it is tried on as a ghost, and kept', async ({
  page,
  knapsack,
}) => {
  await openSize(page, knapsack);
  const kit = page.locator('.on-front').first();
  await kit.focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.why')).toContainText('The battery gives, above its reserve');
  await expect(page.locator('.difference')).toContainText('kg');
  await kit.blur();
  await page.keyboard.press('Control+z');
  await expect(page.locator('.difference')).not.toContainText('kg');

  const pick = page.locator('.answer .pick').first();
  await expect(pick).toContainText('The lightest is');
  const name = (await pick.locator('button').textContent())!;
  await pick.locator('button').click();
  await expect(page.locator('.difference')).toContainText('kg');
  await expect(page.locator('.size-ridge')).toContainText(
    /Lasts in .* simulated outings\. The typical outing lasts past/,
  );
  await page.locator('.difference').getByRole('button', { name: 'Keep' }).click();
  await expect(page.locator('.difference')).not.toContainText('kg');
  await saved(page);
  await page
    .getByRole('navigation', { name: 'Rooms of this trip' })
    .getByRole('link', { name: /Plan/ })
    .click();
  await expect(page.locator('ks-loadout')).toContainText(name.split(',')[0].replace(/^\d × /, ''));
});

test('limits and ways to lie narrow the search; nonsense gets a sentence', async ({ page, knapsack }) => {
  await openSize(page, knapsack);
  await page.getByLabel('Most kg').fill('2');
  await page.keyboard.press('Enter');
  await expect(page.locator('.ruled-out')).toContainText('too heavy');
  await expect(page.locator('.answer')).toContainText(/makes 90 of 100|comes close/);
  await page.getByLabel('The target chance').fill('100');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('between 50 and 99 %');
  await page.keyboard.press('Escape');
  await page.getByLabel('Most kg').fill('-1');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('above 0');
  await page.keyboard.press('Escape');
  for (const way of ['flat on the ground', 'propped once, the best way']) {
    await page.getByRole('button', { name: way }).click();
  }
  await expect(page.locator('.answer').getByRole('alert')).toContainText('at least one way');
});

test('what Wire stops in every kit is mended there; where nothing makes it, the nearest kit and a plan are named', async ({
  page,
  knapsack,
}) => {
  // Three searches, one after the other.
  test.slow();
  await openSize(page, knapsack, 'headland-contest-camp');
  await expect(page.locator('.answer')).toContainText('through a fuse of 10 A');
  await page.getByRole('link', { name: 'Fix it in Wire' }).click();
  await page.locator('.checks li', { hasText: 'rating of the fuse' }).locator('.fix').click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await saved(page);
  await openSize(page, knapsack, 'headland-contest-camp');
  await page.getByLabel('Most kg').fill('8');
  await page.keyboard.press('Enter');
  await expect(page.locator('.answer')).toContainText('none comes close', { timeout: 60_000 });
  await expect(page.locator('.answer')).toContainText(/lasts longest: \d+ h \d\d on average/);
  await expect(page.locator('.answer')).toContainText(/What binds: \d+ kits are ruled out by “too heavy”/);
  const plan = page.locator('.answer .fix').first();
  await expect(plan).toBeVisible();
  await plan.click();
  await expect(page.locator('.difference')).not.toBeEmpty();
});

test('a search is stopped, and begins again when told; the ideal figures and the ration stand beside it', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/size`);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.locator('.standing', { hasText: 'Stopped.' })).toBeVisible();

  await expect(page.locator('.trade .line-name')).toHaveCount(4);
  const forEver = page.locator('.ideal').last();
  await expect(forEver).toContainText(/A panel of \d+ W carries the mean load under the usual sky/);
  const before = await forEver.textContent();
  await page.getByLabel('Month').selectOption('December');
  await expect(forEver).toContainText('December');
  await expect(forEver).not.toHaveText(before!);

  const ration = page.locator('ks-ration');
  await expect(ration.locator('.gain')).toContainText('as much on the air as the plan');
  await expect(ration.locator('.gain')).toContainText('it asks for no more than was planned');
  await ration.getByLabel('Most power').selectOption({ label: 'more where there is charge' });
  await ration.getByLabel('Largest duty cycle').selectOption({ label: 'more where there is charge' });
  await expect(ration.locator('.gain')).toContainText('more on the air than the plan');
  await expect(ration.locator('.gain')).toContainText('without checking the battery');
  await ration.getByText('The table to take along').click();
  await expect(ration.locator('.rules')).toContainText(/from \d+ %: \d+ W/);
  await page.getByRole('button', { name: 'Search again' }).click();
  await expect(
    page.locator('.standing', { hasText: /kits, each tried in 400 simulated outings/ }),
  ).toBeVisible();
  await ration.getByRole('button', { name: 'Apply' }).click();
  await expect(page.locator('.difference')).not.toBeEmpty();
  await saved(page);
});

test('kits are held against the next build, what they are proof against and the noise on a band', async ({
  page,
  knapsack,
}) => {
  test.slow();
  await page.goto(`${knapsack.address}/logbook`);
  await page.getByRole('link', { name: /Find the lightest kit that meets all of it on/ }).click();
  await expect(page.getByRole('button', { name: /meets the next build/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.locator('.answer')).toContainText('and all that the next build must do', {
    timeout: 60_000,
  });
  await expect(page.locator('.ruled-out')).toContainText('the next build, “', { timeout: 60_000 });
  await page.getByRole('button', { name: /meets the next build/ }).click();
  await page.getByLabel('Band on which it is quiet').selectOption({ label: '17 m' });
  await expect(page.locator('.ruled-out')).toContainText('Weir 10 is heard on 17 m', { timeout: 60_000 });
  await page.getByLabel('What it is proof against').selectOption({ label: 'rain' });
  await expect(page.locator('.ruled-out')).toContainText('not against rain', { timeout: 60_000 });
});
