import { expect, openTrip, test, textOf } from './knapsack.js';

test('on paper stand the verdict, the lanes and the hours, and nothing to press', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack, 'headland-contest-camp');
  await textOf(page);
  const findings = page.locator('.findings li:not(:has(button))');
  const [all, shown] = [await findings.count(), await findings.filter({ visible: true }).count()];
  expect(all).toBeGreaterThan(shown);
  await page.emulateMedia({ media: 'print' });
  expect(await findings.filter({ visible: true }).count()).toBe(all);
  const pressed = page.locator('.quiet, .solid, .fix, .toggle');
  expect(await pressed.filter({ visible: true }).count()).toBe(0);
  await page.emulateMedia({ media: 'screen' });
  await openTrip(page, knapsack);
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.rail')).toBeHidden();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeHidden();
  await expect(page.locator('.print-sheet')).toContainText('Sat 22:30 to Sun 05:30');
  await expect(page.locator('.print-sheet')).toContainText('every other slot, transmit duty cycle 42 %');
});
