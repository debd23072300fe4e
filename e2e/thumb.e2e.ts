import type { Page } from '@playwright/test';
import { expectFocus, focused } from './focus.js';
import { atRest, block, expect, openTrip, saved, test, verdict } from './knapsack.js';

test.describe.configure({ timeout: 240_000 });
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

/** Draws one finger over the page. */
async function swipe(page: Page, x: number, y: number, dx: number, dy: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: { x: number; y: number }) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [{ ...at, id: 0 }] : [] });
  await touch('touchStart', { x, y });
  for (let step = 1; step <= 8; step++)
    await touch('touchMove', { x: x + (dx * step) / 8, y: y + (dy * step) / 8 });
  await touch('touchEnd');
  await session.detach();
}

test('a swipe over the sky or a block scrolls the page and changes nothing; then the whole job by thumb, from the plan to the card, without a drag', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  const undo = page.getByRole('button', { name: 'Undo' });
  for (const lane of [page.locator('.sky-lane'), block(page, 'b3')]) {
    await lane.scrollIntoViewIfNeeded();
    const { x, y, width, height } = await atRest(lane);
    const before = await page.evaluate(() => scrollY);
    await swipe(page, x + width / 2, y + height / 2, 3, -200);
    await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(before + 50);
    await expect(undo).toBeDisabled();
    await page.evaluate(() => scrollTo(0, 0));
  }
  // Sideways it paints.
  const sky = page.locator('.sky-lane');
  await sky.scrollIntoViewIfNeeded();
  const { x, y, width, height } = await atRest(sky);
  await swipe(page, x + width / 4, y + height / 2, 60, 0);
  await expect(undo).toBeEnabled();
  await undo.tap();

  const tap = (name: string | RegExp) => page.getByRole('button', { name }).first().tap();
  await tap('Add hours');
  const added = page.locator('.block.selected');
  await expect(added).toBeVisible();
  const label = async () => (await added.getAttribute('aria-label'))!;
  for (const name of ['Earlier', 'Later', 'Shorter', 'Longer', 'Less power', 'More power']) {
    const before = await label();
    // What stands at its neighbour or at its most stays as it is; the next step is another one.
    await page.locator('.block-bar').getByRole('button', { name, exact: true }).tap();
    if (name === 'Shorter' || name === 'Less power')
      await expect(added).not.toHaveAttribute('aria-label', before);
    expect(await focused(page)).toBe(`button ${name}`);
  }
  await tap('Remove');
  await expectFocus(page, /^button (CW|SSB|FT8)/);

  await tap('Table of hours');
  await expectFocus(page, /^h2 Hours/);
  await expect(page.locator('.hours')).toBeInViewport();
  await page.getByLabel('Work from 20:00').selectOption('off');
  await expect(verdict(page)).toContainText('lasts');

  await tap('Swap Shale 18');
  await page
    .getByRole('button', { name: /^Shale 9/ })
    .first()
    .tap();
  await expectFocus(page, /^button Swap Shale 9/);
  await saved(page);

  const trail = page.getByRole('navigation', { name: 'Rooms of this trip' });
  await trail.getByRole('link', { name: 'Wire' }).tap();
  await page.locator('.harness').getByText('0.6 m').tap();
  await expect(page.locator('.run-figures')).toBeVisible();
  await trail.getByRole('link', { name: 'Pack' }).tap();
  await page.locator('label', { has: page.getByLabel('Shale 9 is packed') }).tap();
  await expect(page.getByLabel('Shale 9 is packed')).toBeChecked();
  await trail.getByRole('link', { name: 'Rehearse' }).tap();
  await tap(/^OK: /);
  await expect(page.getByRole('button', { name: /^OK: / }).first()).toHaveAttribute('aria-pressed', 'true');
  await trail.getByRole('link', { name: 'Card' }).tap();
  await tap('PDF, A5');
  await expect(page.getByText('Making the A5')).toBeVisible();
});
