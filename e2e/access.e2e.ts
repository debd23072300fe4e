import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { atRest, block, expect, openTrip, test } from './knapsack.js';

// Axe walks every element three times; on a machine that does other work as well that takes minutes.
test.describe.configure({ timeout: 240_000 });

/** What axe finds, of whatever weight: by all of its rules as the page stands, then by those on colour in the other themes. */
const faults = async (page: Page) => {
  const found = await findings(
    new AxeBuilder({ page }).options({ rules: { 'target-size': { enabled: true } } }),
  );
  for (const theme of ['glare', 'ember', 'paper']) {
    await page.evaluate((name) => (document.documentElement.dataset['theme'] = name), theme);
    if (theme === 'paper') continue;
    const colours = await findings(
      new AxeBuilder({ page }).withRules(['color-contrast', 'link-in-text-block']),
    );
    found.push(...colours.map((words) => `${theme}, ${words}`));
  }
  return found;
};

/** WCAG 2.5.8, equivalent: kits that lie together in the plot stand in the table under it too. */
const isElsewhere = (rule: string, target: string): boolean =>
  rule === 'target-size' && target.includes('.on-front');

async function findings(axe: AxeBuilder): Promise<string[]> {
  const { violations } = await axe.analyze();
  return violations.flatMap(({ id, nodes }) => {
    const targets = nodes.map(({ target }) => target.join(' ')).filter((target) => !isElsewhere(id, target));
    return targets.length > 0 ? [`${id}: ${targets.join(', ')}`] : [];
  });
}

/** Pages by what stands in them once they are whole. */
const HALLS: readonly (readonly [string, string, (page: Page) => Promise<unknown>])[] = [
  ['Trips', '/', (page) => page.getByRole('link', { name: 'Winter bothy' }).waitFor()],
  ['Begin', '/begin', (page) => page.getByRole('button', { name: 'Plan it' }).waitFor()],
  ['Backup', '/backup', (page) => page.getByText('There is none yet').waitFor()],
  ['Settings', '/settings', (page) => page.getByText('It reads:').waitFor()],
  ['the guide', '/guide/plan', (page) => page.getByRole('heading', { name: 'What it answers' }).waitFor()],
  [
    'the Logbook',
    '/logbook',
    (page) => page.getByText(/^Of 9 outings 7 lasted; 8\.1 were to be expected\.$/).waitFor(),
  ],
  ['the quick sum', '/sum', (page) => page.locator('.answer').getByText('Lasts').waitFor()],
];
for (const [name, path, isWhole] of HALLS) {
  test(`axe finds nothing in ${name}`, async ({ page, knapsack }) => {
    await page.goto(`${knapsack.address}${path}`);
    await isWhole(page);
    expect(await faults(page)).toEqual([]);
  });
}

test('axe finds nothing in Gear', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/gear`);
  // One kind of gear: the others are the same cards again.
  await page.getByRole('button', { name: /^Radios/ }).click();
  await page.locator('[data-gear="curlew-10"] .bag-name').click();
  await page.getByLabel('Compare Dunlin 3').check();
  await page.getByLabel('Compare Whimbrel 100').check();
  await expect(page.locator('.compare')).toBeVisible();
  expect(await faults(page)).toEqual([]);
});

test('axe finds nothing in the Bench', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/bench`);
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  await expect(page.locator('.live')).toContainText(/\d\d s/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: 'find segments' }).click();
  await expect(page.locator('.marks tr').first()).toBeVisible();
  expect(await faults(page)).toEqual([]);
});

test('axe finds nothing in the Plan', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await block(page, 'b2').click();
  expect(await faults(page)).toEqual([]);
  await page.keyboard.press(']');
  await page.getByRole('button', { name: 'Keep as a variant' }).click();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await expect(page.locator('.variant-table')).toBeVisible();
  await page.locator('.sky-lane').focus();
  expect(await faults(page)).toEqual([]);
  await page.getByRole('button', { name: 'edit the skyline' }).click();
  const strip = await atRest(page.locator('.strip'));
  await page.mouse.click(strip.x + strip.width / 2, strip.y + strip.height / 2);
  await expect(page.locator('.point')).toHaveCount(1);
  expect(await faults(page)).toEqual([]);
});

test('axe finds nothing in a plan that ends too soon, and in the chances', async ({ page, knapsack }) => {
  await openTrip(page, knapsack, 'headland-contest-camp');
  await expect(page.locator('.fix').first()).toBeEnabled();
  expect(await faults(page)).toEqual([]);
  await page.locator('[data-unfolds="chance"]').click();
  await expect(page.locator('.tornado li').first()).toBeVisible();
  expect(await faults(page)).toEqual([]);
});

test('axe finds nothing in Size', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/size`);
  await expect(
    page.locator('.standing', { hasText: /kits, each tried in 400 simulated outings/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Why?' }).first().click();
  await page.getByText('The table to take along').click();
  await expect(page.locator('.why')).toBeVisible();
  expect(await faults(page)).toEqual([]);
});

const ROOMS: readonly (readonly [string, (page: Page) => Promise<unknown>])[] = [
  [
    'wire',
    async (page) => {
      await page.locator('.harness').getByText('0.6 m').click();
      await page.locator('.run-figures').waitFor();
    },
  ],
  [
    'pack',
    async (page) => {
      await page.getByRole('button', { name: 'Shale 60', exact: true }).click();
      await page.locator('.without').getByText('Left at home').first().waitFor();
    },
  ],
  ['rehearse', (page) => page.locator('.noise').first().waitFor()],
  ['card', (page) => page.locator('.field-card').getByText('Take care').waitFor()],
  ['field', (page) => page.locator('.field-sentence:not(.rough)').waitFor()],
  [
    'field?dry-run',
    async (page) => {
      await page.getByRole('button', { name: /^Dry run/ }).click();
      await page.locator('.displays li').first().waitFor();
      await page.getByRole('button', { name: 'Pause' }).click();
      await page.locator('.field-truth').waitFor();
    },
  ],
];
for (const [room, makeWhole] of ROOMS) {
  test(`axe finds nothing in the room ${room}`, async ({ page, knapsack }) => {
    await page.goto(`${knapsack.address}/trips/headland-contest-camp/${room}`);
    await makeWhole(page);
    expect(await faults(page)).toEqual([]);
  });
}

test('axe finds nothing in the Debrief', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/trips/gannet-rock-light/debrief`);
  await page.locator('.waterfall').waitFor();
  expect(await faults(page)).toEqual([]);
});

test('the ridge reads out where the cursor stands', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const ridge = page.getByRole('slider', { name: 'Charge in the battery over the outing' });
  await ridge.focus();
  await page.keyboard.press('Home');
  await expect(ridge).toHaveAttribute('aria-valuetext', /^Sat 10:00, 100 %/);
  for (let quarter = 0; quarter < 4; quarter++) await page.keyboard.press('PageUp');
  await expect(ridge).toHaveAttribute('aria-valuetext', /^Sat 14:00, 100 %/);
});

test('the rooms are reached by keys, and the keys are listed', async ({ page, knapsack }) => {
  await page.goto(knapsack.address);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('new block');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { name: 'Quick sum' })).toBeVisible();
});
