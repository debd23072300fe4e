import { expectFocus, focused, tabTo } from './focus.js';
import { atRest, block, expect, openTrip, saved, test, textOf, verdict } from './knapsack.js';

test.describe.configure({ timeout: 240_000 });

test('the whole job by keyboard, from the trips to the card, and the focus is never lost', async ({
  page,
  knapsack,
}) => {
  await page.goto(knapsack.address);
  await tabTo(page, /^a Headland contest camp/);
  await page.keyboard.press('Enter');
  await expect(verdict(page)).toContainText(/lasts|ends/);
  await expectFocus(page, /^ks-trip|^ks-plan/);
  await expect(page).toHaveTitle('Headland contest camp: Plan · Knapsack');

  // Hours: one more block, moved, stretched, removed; each time what stands there is said and has the focus.
  await tabTo(page, /^button Add hours/);
  await page.keyboard.press('Enter');
  await expectFocus(page, /^button (CW|SSB|RTTY|FT8)/);
  await expect(page.locator('#spoken')).toHaveText(/ added, \w+ .*(to spare|ends)/);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(page.locator('#spoken')).toHaveText(/ now \w+ .*(to spare|ends)/);
  await page.keyboard.press('Delete');
  await expectFocus(page, /^button (CW|SSB|RTTY|FT8)/);
  await page.keyboard.press('u');
  await expect(page.locator('.notices')).toContainText(/^Undone: .* added/);
  await expectFocus(page, /^button (CW|SSB|RTTY|FT8)/);

  // A figure unfolds into a dialog that has a name; Escape closes it, and nothing else.
  await page.locator('[data-unfolds="end"]').focus();
  await page.keyboard.press('Enter');
  await expectFocus(page, /^dialog How .* comes about/);
  await expect(page.locator('[data-unfolds="end"]')).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expectFocus(page, /^button \w{3} \d\d:\d\d$/);
  await expect(page.locator('.block.selected')).toHaveCount(1);

  // The bag: swapped, taken out, put in.
  await tabTo(page, /^button Swap Whimbrel 100/);
  await page.keyboard.press('Enter');
  // One presses on when the menu is there.
  await expect(page.locator('.dropdown-menu.show')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expectFocus(page, /^button Swap Curlew 10/);
  await page.keyboard.press('Control+z');
  await expectFocus(page, /^button Swap Whimbrel 100/);
  await tabTo(page, /^button Swap roof fan/);
  await page.keyboard.press('Enter');
  await expect(page.locator('.dropdown-menu.show')).toBeVisible();
  await page.keyboard.press('End');
  await expectFocus(page, /^button Leave it at home/);
  await page.keyboard.press('Enter');
  await expectFocus(page, /^button Swap tablet/);

  // Wire: one remedy, and the same key again applies no other one.
  await tabTo(page, /^a Wire$|^a .*Wire/);
  await page.keyboard.press('Enter');
  await expectFocus(page, /^ks-wire/);
  await expect(page).toHaveTitle('Headland contest camp: Wire · Knapsack');
  const fixes = page.locator('.checks .fix');
  const before = await fixes.count();
  await tabTo(page, /^button a change-over switch/);
  await page.keyboard.press('Enter');
  await expectFocus(page, /^h2 Findings/);
  await page.keyboard.press('Enter');
  await expect(fixes).toHaveCount(before - 1);
  await expect(page.locator('#spoken')).toHaveText(/^The wiring has changed; (Do not|OK)/);

  // Pack: ticked, taken in hand, put into a bag.
  await page.locator('main').focus();
  await page.keyboard.press('g');
  await page.keyboard.press('k');
  await expectFocus(page, /^ks-pack/);
  await tabTo(page, /^input Shale 60 is packed/);
  await page.keyboard.press('Space');
  await expect(page.getByLabel('Shale 60 is packed')).toBeChecked();
  await expectFocus(page, /^input Shale 60 is packed/);
  await tabTo(page, /^button Shale 60/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^button Leave it at home/);
  await page.keyboard.press('Enter');
  await expect(page.locator('.pack-bags')).not.toContainText('Shale 60');
  expect(await focused(page)).not.toBe('nothing');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.pack-bags')).toContainText('Shale 60');

  // Rehearse: a step is done; the card goes out.
  await page.locator('main').focus();
  await page.keyboard.press('g');
  await page.keyboard.press('r');
  await expectFocus(page, /^ks-rehearse/);
  await tabTo(page, /^button OK: /);
  const step = await focused(page);
  await page.keyboard.press('Enter');
  await expect.poll(() => focused(page)).toBe(step);
  await saved(page);
  await page.locator('main').focus();
  await page.keyboard.press('g');
  await page.keyboard.press('c');
  await expectFocus(page, /^ks-card/);
  await tabTo(page, /^button PDF, A5/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('Making the A5')).toBeVisible();
  await expectFocus(page, /^button PDF, A5/);
});

test('a key acts on what has the focus, and a letter never from a link or a button', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  const blocks = page.locator('[data-block]');
  const theme = () => page.evaluate(() => document.documentElement.dataset['theme']);
  await block(page, 'b2').click();
  for (const name of ['Gear', 'Guide']) {
    await page.getByRole('link', { name, exact: true }).focus();
    for (const key of ['n', 'o', 't', 'e', 'Backspace', 'Delete', '[', 'ArrowUp'])
      await page.keyboard.press(key);
  }
  await page.getByRole('button', { name: 'Later' }).focus();
  for (const key of ['n', 'u', 'k', 'Backspace', 'ArrowRight']) await page.keyboard.press(key);
  expect([await blocks.count(), await theme()]).toEqual([5, 'paper']);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

  // A slider takes its own arrows.
  const label = await block(page, 'b2').getAttribute('aria-label');
  const ridge = page.getByRole('slider', { name: 'Charge in the battery over the outing' });
  await ridge.focus();
  for (const key of ['ArrowUp', 'ArrowDown', 'ArrowRight']) await page.keyboard.press(key);
  await expect(block(page, 'b2')).toHaveAttribute('aria-label', label!);

  await block(page, 'b2').focus();
  await page.keyboard.press('ArrowRight');
  await expect(block(page, 'b2')).not.toHaveAttribute('aria-label', label!);
  await expect(block(page, 'b2')).toHaveAttribute('aria-keyshortcuts', /ArrowLeft.*Delete/);
  await expect(page.locator('#block-keys')).toBeInViewport();
  await page.keyboard.press('[');
  await expect(block(page, 'b2')).toContainText('5 W');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Mode')).toBeFocused();
});

test('a drag that is called off leaves everything as it was', async ({ page, knapsack }) => {
  await openTrip(page, knapsack);
  await textOf(page);
  const sky = await atRest(page.locator('.sky-lane'));
  const undo = page.getByRole('button', { name: 'Undo' });
  const pull = async (x: number, y: number, dx: number) => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + dx / 2, y);
    await page.mouse.move(x + dx, y);
  };
  await pull(sky.x + 80, sky.y + 20, 60);
  await expect(undo).toBeEnabled();
  await page.keyboard.press('Escape');
  await expect(undo).toBeDisabled();
  await page.mouse.up();
  await expect(undo).toBeDisabled();

  const b3 = await atRest(block(page, 'b3'));
  const label = await block(page, 'b3').getAttribute('aria-label');
  await pull(b3.x + b3.width / 2, b3.y + 20, -40);
  await expect(block(page, 'b3')).not.toHaveAttribute('aria-label', label!);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(block(page, 'b3')).toHaveAttribute('aria-label', label!);
  await expect(undo).toBeDisabled();
});

test('whatever is done, the focus stands somewhere that one would look for it', async ({
  page,
  knapsack,
}) => {
  /** Presses a button by key, and says what has the focus once that is done. */
  const press = async (name: string | RegExp, done: () => Promise<unknown>) => {
    await page.getByRole('button', { name, exact: true }).first().focus();
    await page.keyboard.press('Enter');
    await done();
    await page.waitForTimeout(50);
    return focused(page);
  };
  await page.goto(knapsack.address);
  const trips = page.locator('.trips > li');
  expect(await press('Archive Winter bothy', () => expect(trips).toHaveCount(2))).toMatch(/^a Headland/);
  expect(await press('Copy Headland contest camp', () => expect(trips).toHaveCount(3))).toBe(
    'button Copy Headland contest camp',
  );
  await expect(page.locator('#spoken')).toContainText('Headland contest camp, copy is among the trips.');
  expect(await press('Delete Headland contest camp, copy', () => expect(trips).toHaveCount(2))).toMatch(
    /^a /,
  );
  expect(await press('Restore Headland contest camp, copy', () => expect(trips).toHaveCount(3))).not.toBe(
    'nothing',
  );

  await page.goto(`${knapsack.address}/gear`);
  const card = (id: string) => page.locator(`[data-gear="${id}"]`);
  await card('curlew-10').locator('.bag-name').focus();
  await page.keyboard.press('Enter');
  expect(await press('Done', () => expect(page.locator('.editor')).toHaveCount(0))).toMatch(
    /^button .*Curlew 10/,
  );
  expect(await press('Archive Dunlin 3', () => expect(card('dunlin-3')).toHaveCount(0))).toMatch(
    /^button .*Whimbrel 100/,
  );

  await openTrip(page, knapsack);
  await page.getByRole('button', { name: /^Outing starts/ }).focus();
  await page.keyboard.press('Enter');
  await expectFocus(page, /^input Outing starts/);
  await expect(page.getByRole('textbox', { name: 'Outing starts' })).toHaveAccessibleDescription(/2027/);
  await page.keyboard.press('Escape');
  await expectFocus(page, /^button Outing starts/);
  await block(page, 'b2').focus();
  await page.keyboard.press('[');
  const difference = page.locator('.difference');
  await expect(difference).toContainText('Keep');
  expect(await press('Keep', () => expect(difference).toBeEmpty())).not.toBe('nothing');
  await page.getByRole('button', { name: 'Add gear' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.dropdown-menu.show')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  const put = (await focused(page)).replace(/^button /, '');
  await page.keyboard.press('Enter');
  await expect(page.locator('#spoken')).toHaveText(/ is in the bag; /);
  expect(put).not.toBe('nothing');
  await expectFocus(page, /^button Add gear/);
});
