import { expect, openTrip, test, textOf, verdict } from './knapsack.js';

test('the shelf: looked through, copied, compared, put away, with its history', async ({
  page,
  knapsack,
}) => {
  await page.goto(knapsack.address);
  await page.keyboard.press('g');
  await page.keyboard.press('g');
  await expect(page.getByRole('heading', { name: 'Gear' })).toBeVisible();
  await page.getByLabel('Search the shelf').fill('lifepo4 12.8');
  await expect(page.locator('.shelf > li')).toHaveCount(3);
  await page.getByLabel('Compare Shale 18').check();
  await page.getByLabel('Compare Shale 9').check();
  await expect(page.locator('.compare')).toContainText('usable energy per kg');
  await page.getByLabel('Search the shelf').fill('');

  const shale = page.locator('[data-gear="shale-18"]');
  await shale.getByRole('button', { name: 'Shale 18', exact: true }).click();
  const capacity = shale.getByLabel('rated capacity', { exact: true });
  await capacity.fill('17');
  await page.keyboard.press('Enter');
  await shale.getByRole('button', { name: 'History of rated capacity' }).click();
  await expect(shale.locator('.entry')).toContainText('18 Ah');
  await shale.getByRole('button', { name: 'use this one' }).click();
  await expect(capacity).toHaveValue('18');
  await shale.getByLabel('Price').fill('120');
  await page.keyboard.press('Enter');
  await shale.getByLabel('Tags, with commas').fill('light, winter');
  await page.keyboard.press('Enter');
  await expect(shale.locator('.tag')).toHaveText(['light', 'winter']);

  const name = shale.getByLabel('Name', { exact: true });
  await name.fill('Shale 9');
  await page.keyboard.press('Enter');
  await expect(shale.locator('.problem')).toContainText('is called “Shale 9” already');
  await page.keyboard.press('Escape');

  await page.getByLabel('Typical outing').selectOption({ label: 'Winter bothy' });
  await expect(page.locator('.shortlist')).toContainText(
    /Dunlin 3[\s\S]*Of the shelf without sun: Ten loose cells/,
  );

  await shale.getByRole('button', { name: 'copy' }).click();
  await expect(page.getByRole('button', { name: 'Shale 18 copy', exact: true })).toBeVisible();

  await page.locator('[data-gear="shale-9"]').getByRole('button', { name: 'archive' }).click();
  await expect(page.locator('[data-gear="shale-9"]')).toHaveCount(0);
  await openTrip(page, knapsack);
  const before = await textOf(page);
  await page.getByRole('button', { name: 'Swap Shale 18' }).click();
  await expect(page.locator('.dropdown-menu.show')).not.toContainText('Shale 9');
  await expect(verdict(page)).toHaveText(before);
});

test('a row is put in order by keys and by a menu, and stays so', async ({ page, knapsack }) => {
  await page.goto(`${knapsack.address}/gear`);
  const names = page.locator('.shelf-row', { hasText: 'Radios' }).locator('.bag-name');
  await expect(names).toHaveText(['Curlew 10', 'Dunlin 3', 'Whimbrel 100']);
  const grip = page.getByRole('button', { name: 'Order of Curlew 10' });
  await grip.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowRight');
  await expect(names).toHaveText(['Dunlin 3', 'Curlew 10', 'Whimbrel 100']);
  await expect(grip).toBeFocused();
  await grip.press('Enter');
  await page.getByRole('button', { name: 'To the end' }).click();
  await expect(names).toHaveText(['Dunlin 3', 'Whimbrel 100', 'Curlew 10']);
  await expect(grip).toBeFocused();
  await expect(page.locator('#spoken')).toHaveText('Curlew 10 is number 3 of 3.');
  await page.reload();
  await expect(names).toHaveText(['Dunlin 3', 'Whimbrel 100', 'Curlew 10']);
});

test('what is said of a radio: its noise, a battery inside, a power with its history', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/gear`);
  const curlew = page.locator('[data-gear="curlew-10"]');
  await curlew.getByRole('button', { name: 'Curlew 10', exact: true }).click();
  const heard = page.locator('.shortlist li', { hasText: 'Curlew 10' });
  await curlew.getByLabel('Beside a charge controller').selectOption('is disturbed');
  await expect(heard).toContainText('is noisy beside a controller');
  await curlew.getByLabel('Beside a charge controller').selectOption('stays quiet');
  await expect(heard).toContainText('is quiet beside a controller');
  await curlew.getByLabel('Battery inside', { exact: true }).selectOption('charges while it works');
  await curlew.getByLabel('internal battery', { exact: true }).fill('26');
  await page.keyboard.press('Enter');
  await expect(heard).toContainText('charges a battery of its own while it works');

  const measured = curlew.getByLabel('Transmit current, row 2', { exact: true });
  await expect(measured).toHaveValue('1.92');
  await measured.fill('2.05');
  await page.keyboard.press('Enter');
  await curlew.getByRole('button', { name: 'History of Transmit current, row 2' }).click();
  await expect(curlew.locator('.entry')).toContainText('2027-05-02');
  await expect(curlew.locator('.entry')).toContainText('1.92 A');
  await curlew.getByRole('button', { name: 'use this one' }).click();
  await expect(measured).toHaveValue('1.92');
  await page.reload();
  await curlew.getByRole('button', { name: 'Curlew 10', exact: true }).click();
  await expect(curlew.getByLabel('internal battery', { exact: true })).toHaveValue('26');
});

test('gear goes out as a table and comes back; a bad file says why', async ({ page, knapsack, empty }) => {
  const table = await (await page.request.get(`${knapsack.address}/api/shelf?as=csv`)).text();
  await page.goto(`${empty.address}/gear`);
  await expect(page.locator('.empty')).toContainText('Nothing on the shelf yet');
  const give = async (name: string, content: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Read a file' }).click();
    await (await chooser).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
  };
  await give('bad.csv', 'colour,size\nred,2\n');
  await expect(page.locator('.notices')).toContainText('kind and name');
  await give('shelf.csv', table);
  await expect(page.locator('.notices')).toContainText('items are new on the shelf');
  await expect(page.locator('[data-gear="curlew-10"]')).toContainText('0.14 A');
  await expect(page.locator('.shortlist li').first()).toBeVisible();
});

test('radios are held side by side by what each would need for the same outing', async ({
  page,
  knapsack,
}) => {
  await page.goto(`${knapsack.address}/gear`);
  await page.getByLabel('Typical outing').selectOption({ label: 'Gannet Rock light' });
  const list = page.locator('.shortlist');
  await expect(list).toContainText(
    /Ah, no panel: [\d.]+ kg with the radio, [\d.]+ kg more than the lightest/,
    {
      timeout: 60_000,
    },
  );
  await expect(list.locator('.need-bar')).toHaveCount(3, { timeout: 60_000 });
  await page.getByRole('button', { name: 'Candidate: Whimbrel 100' }).click();
  await expect(list.locator('.need-bar')).toHaveCount(2, { timeout: 60_000 });
  await list.getByLabel('Band on which it is quiet').selectOption({ label: '17 m' });
  await expect(list).toContainText('is noisy beside a controller on 17 m');
});
