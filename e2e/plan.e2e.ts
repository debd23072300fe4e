import type { Page } from '@playwright/test';
import { atRest, block, expect, openTrip, saved, test, textOf, verdict } from './knapsack.js';

const difference = (page: Page) => page.locator('.difference');
const hoursShown = (page: Page) => page.locator('ks-near-and-far [role=status]');

/** Drags from one place of an element to another, both in shares of its width and height. */
async function dragWithin(
  page: Page,
  selector: string,
  from: readonly [number, number],
  to: readonly [number, number],
): Promise<void> {
  const box = await atRest(page.locator(selector));
  const at = ([x, y]: readonly [number, number]) => [box.x + box.width * x, box.y + box.height * y] as const;
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 5 });
  await page.mouse.up();
}

test('the hours are drawn near by wheel, button and key, and walked along', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await expect(hoursShown(page)).toHaveCount(0);
  await page.locator('.ridge').hover();
  // Down and up again is the page's, on a page that is longer than the window.
  await page.mouse.wheel(0, 300);
  await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(0);
  await page.mouse.wheel(0, -600);
  await expect.poll(() => page.evaluate(() => scrollY)).toBe(0);
  await expect(hoursShown(page)).toHaveCount(0);
  await page.waitForTimeout(600);
  await page.mouse.wheel(0, -600);
  await expect(hoursShown(page)).toContainText(' to ');
  const near = (await hoursShown(page).textContent())!;
  await page.keyboard.press('ArrowRight');
  await expect(hoursShown(page)).not.toHaveText(near);
  await page.keyboard.down('Shift');
  await page.mouse.wheel(0, -4000);
  await page.keyboard.up('Shift');
  await expect(hoursShown(page)).toContainText('Sat 10:00 to');
  // As near as it goes: a quarter of an hour.
  for (let press = 0; press < 20; press++) await page.keyboard.press('+');
  await expect(hoursShown(page)).toHaveText(/^\w{3} (\d\d:\d\d) to \w{3} (\d\d:\d\d)$/);
  await page.getByRole('button', { name: 'all', exact: true }).click();
  await expect(hoursShown(page)).toHaveCount(0);
});

test('a change stands beside the plan before until it is kept or taken back', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await page.getByRole('button', { name: 'Swap Shale 18' }).click();
  await page.getByRole('button', { name: /^Cobble 17/ }).click();
  await expect(difference(page)).toContainText('ends Sun');
  await expect(difference(page)).toContainText('+3.39 kg');
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(verdict(page)).toContainText('lasts');
  await expect(difference(page)).toHaveText('');
  await page.keyboard.press('Control+z');
  await expect(verdict(page)).toContainText('outing ends');
  await difference(page).getByRole('button', { name: 'Keep' }).click();
  await expect(difference(page)).toHaveText('');
  await expect(verdict(page)).toContainText('outing ends');
});

test('what would fix a plan is put on with a click', async ({ page, knapsack }) => {
  await openTrip(page, knapsack, 'headland-contest-camp');
  const before = await textOf(page);
  await expect(page.locator('.fix')).toHaveCount(3);
  await page.locator('.fix').first().click();
  await expect(verdict(page)).toContainText('lasts past');
  await expect(difference(page)).toContainText('lasts now');
  await expect(page.locator('.fix')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(verdict(page)).toHaveText(before);
});

test('all that Plan says unfolds into how it comes about, and the ridge is read out', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  const sum = page.locator('.sum');
  const opens = async (look: string, words: string | RegExp) => {
    await page.locator(`[data-unfolds="${look}"]`).last().click();
    await expect(sum).toContainText(words);
    await page.keyboard.press('Escape');
  };
  const row = (words: string) => sum.locator('tr', { hasText: words });
  // Worked out once it is looked at, also where a screen reader presses without pointer or focus.
  await page.getByRole('button', { name: 'if one thing fails' }).dispatchEvent('click');
  await expect(row('Shale 18')).toContainText('off the air');
  await expect(row('small computer')).toContainText('no FT8, FT4');
  await page.keyboard.press('Escape');
  await opens('margin', '18.0 Ah × 1.00 health × 0.97 cold');
  await opens('end', 'Curlew 10 drops out');
  await opens('load', '(0.50 × 0.92 A + 0.50 × 0.14 A) × 4.00 h');
  await opens('assumptions', 'measured, taken here');
  await opens('schools', 'down to the volts at which the radio quits');
  await opens('sun', 'would carry for ever');
  await opens('runs', /Frond 42 to Rill 8.*91\.1 mΩ/);
  await opens('events', 'the sun sets');
  await expect(page.locator('[data-unfolds="chance"]')).toContainText(/of (100|400)/);
  await page.locator('[data-unfolds="chance"]').click();
  await expect(sum).toContainText('The chance that it lasts');
  await expect(page.locator('.tornado .label').first()).toHaveText(
    /Transmit duty cycle|The sky|Capacity|Receive current|Key-down/,
  );
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'running unattended' }).click();
  // Simulated months, never a promise without an end.
  await expect(row('June')).toContainText(/lasts the month in (\d+|all|none) of/);
  await expect(row('December, the worst')).toContainText('lasts the month in none of 60');
  await page.keyboard.press('Escape');

  const ridge = page.getByRole('slider', { name: 'Charge in the battery over the outing' });
  await ridge.focus();
  await page.keyboard.press('Home');
  await expect(ridge).toHaveAttribute('aria-valuetext', /^Sat 10:00, 100 %/);
  for (let quarter = 0; quarter < 4; quarter++) await page.keyboard.press('PageUp');
  await expect(ridge).toHaveAttribute('aria-valuetext', /^Sat 14:00, 100 %/);
  await page.getByLabel('What the ridge shows').selectOption('volts');
  await page.locator('h2', { hasText: 'In the bag' }).click();
  await page.keyboard.press('v');
  await expect(page.getByLabel('What the ridge shows')).toHaveValue('charge');

  await expect(verdict(page)).toContainText('lasts');
  await page.getByLabel('Consumption figures', { exact: true }).selectOption('cautious');
  await expect(verdict(page)).toContainText(/ends Sun 0\d:\d\d/);
});

test('two stations share the battery, and a block is done every hour', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const before = await textOf(page);
  await page.getByRole('button', { name: 'Add gear' }).click();
  await page
    .getByRole('button', { name: /^Dunlin/ })
    .first()
    .click();
  await expect(page.locator('.track-name')).toHaveText(['Curlew 10', 'Dunlin 3']);
  // Over hours in which the first operating position works.
  await dragWithin(page, '.work-lane', [0.29, 0.75], [0.31, 0.75]);
  await expect(page.locator('.block.selected')).toHaveAttribute('aria-label', /Dunlin 3$/);
  await expect(verdict(page)).not.toHaveText(before);
  await page.getByLabel('How often').selectOption('hour');
  await expect(page.locator('.block.again').first()).toBeVisible();
  expect(await page.locator('.block.again').count()).toBeGreaterThan(10);
  // A repeat stands for its block.
  await page.locator('.muted').first().click();
  await page.keyboard.press('Escape');
  await page.locator('.block.again').first().click();
  await expect(page.getByLabel('How often')).toHaveValue('hour');

  // The first operating position is busy then: said, and nothing changes.
  await page.getByLabel('Operating position', { exact: true }).selectOption('1');
  await expect(page.locator('.notices')).toContainText('Two blocks overlap');
  await page.getByRole('button', { name: 'Swap Dunlin 3' }).click();
  await page.getByRole('button', { name: 'Leave it at home' }).click();
  await expect(page.locator('.findings')).toContainText(
    'planned for operating position 2, and one radio is in the bag',
  );
  await page.keyboard.press('Control+z');
  await expect(page.locator('.findings')).not.toContainText('operating position 2');
});

test('the sky is painted with one stroke, by brush and by keys', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const before = await textOf(page);
  await page.getByLabel('What a press on the sky paints').selectOption('rain');
  await dragWithin(page, '.sky-lane', [0.9, 0.5], [0.85, 0.5]);
  // One shower is in the forecast already.
  await expect(page.locator('.sky-label', { hasText: 'rain' })).toHaveCount(2);
  await expect(verdict(page)).not.toHaveText(before);
  await page.keyboard.press('Control+z');
  await expect(verdict(page)).toHaveText(before);

  // Away from the lanes, so that the first hour is chosen and not the one under the pointer.
  await page.getByRole('heading', { name: 'In the bag' }).click();
  const sky = page.locator('.sky-lane');
  await sky.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('8');
  await expect(sky).toHaveAttribute('aria-valuetext', 'Sat 12:00, overcast');
  await page.keyboard.press('f');
  await expect(sky).toHaveAttribute('aria-valuetext', 'Sat 12:00, fog');
  await page.keyboard.press('0');
  await expect(sky).toHaveAttribute('aria-valuetext', 'Sat 12:00, clear');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(sky).toHaveAttribute('aria-valuetext', 'Sat 10:00, fog');
});

test('the skyline is drawn over the sun’s path, and walked by keys', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const before = await textOf(page);
  await page.getByRole('button', { name: 'edit the skyline' }).click();
  const strip = await atRest(page.locator('.strip'));
  // By its position within the strip, which waits until the dialog has come to rest.
  await page.locator('.strip').click({ position: { x: strip.width / 2, y: strip.height * 0.2 } });
  const point = page.getByRole('slider', { name: 'Skyline at 180°' });
  await expect(point).toHaveAttribute('aria-valuenow', '56');
  await point.focus();
  await page.keyboard.press('ArrowDown');
  await expect(point).toHaveAttribute('aria-valuenow', '55');
  await dragWithin(page, '.strip', [0.5, 0.21], [0.6, 0.5]);
  await expect(page.getByRole('slider', { name: 'Skyline at 216°' })).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(verdict(page)).not.toHaveText(before);
  await expect(page.getByLabel('Skyline: directions and heights')).toHaveValue(/^216 at 3\d$/);
  const field = page.getByLabel('Skyline: directions and heights');
  await field.fill(Array.from({ length: 10_000 }, (_, at) => `${(at * 360) / 10_000} at 5`).join(', '));
  await field.press('Enter');
  await expect(page.locator('.problem')).toContainText('720 points at the most');
});

test('variants of one outing are kept, compared, taken in hand and dropped', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  const before = await textOf(page);
  await page.getByRole('button', { name: 'Keep as a variant' }).click();
  await page.getByRole('button', { name: 'Swap Shale 18' }).click();
  await page.getByRole('button', { name: /^Cobble 17/ }).click();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  const rows = page.locator('.variant-table tbody tr');
  await expect(rows).toHaveCount(2);
  await expect(rows.nth(0)).toContainText('10.52 kg');
  await expect(rows.nth(1)).toContainText('lasts9.8 Ah38 %7.13 kg');
  await expect(rows.nth(1)).toContainText(/\d of \d failures/);
  // The chance leads here as well, with its mark.
  await expect(rows.nth(1)).toContainText('lasts in all of 400');
  await expect(rows.nth(1).getByRole('img')).toHaveAccessibleName('fine');
  await page.getByRole('button', { name: 'Use the variant Shale 18 + Frond 42' }).click();
  await expect(verdict(page)).toHaveText(before);
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Name of the variant').first()).toHaveValue('Shale 18 + Frond 42');
  await page.getByRole('button', { name: 'Drop as it stands' }).click();
  await expect(page.getByRole('button', { name: 'Compare', exact: true })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Compare', exact: true })).toBeVisible();
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('two fingers draw the hours near, and a block is dragged by one', async ({ page, knapsack }) => {
    await openTrip(page, knapsack);
    const ridge = await atRest(page.locator('.ridge'));
    const session = await page.context().newCDPSession(page);
    const touch = (type: string, ...xs: number[]) =>
      session.send('Input.dispatchTouchEvent', {
        type: type as 'touchStart',
        touchPoints: xs.map((x, id) => ({ x, y: ridge.y + 80, id })),
      });
    const middle = ridge.x + ridge.width / 2;
    await touch('touchStart', middle - 30);
    await touch('touchStart', middle - 30, middle + 30);
    for (let step = 1; step <= 6; step++)
      await touch('touchMove', middle - 30 - step * 10, middle + 30 + step * 10);
    await touch('touchEnd');
    await expect(hoursShown(page)).toContainText(' to ');

    await page.getByRole('button', { name: 'all', exact: true }).click();
    const night = await atRest(block(page, 'b3'));
    const label = await block(page, 'b3').getAttribute('aria-label');
    const y = night.y + night.height / 2;
    const drag = (type: string, x?: number) =>
      session.send('Input.dispatchTouchEvent', {
        type: type as 'touchStart',
        touchPoints: x === undefined ? [] : [{ x, y, id: 0 }],
      });
    await drag('touchStart', night.x + night.width / 2);
    for (let step = 1; step <= 5; step++) await drag('touchMove', night.x + night.width / 2 - step * 8);
    await drag('touchEnd');
    await expect(block(page, 'b3')).not.toHaveAttribute('aria-label', label!);
  });
});
