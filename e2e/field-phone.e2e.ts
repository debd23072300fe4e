import type { Page } from '@playwright/test';
import { DEMO_ENTRIES, entries, kept, openField, rows, sentence } from './field.js';
import { expect, test } from './knapsack.js';

test.describe.configure({ timeout: 180_000 });

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  /** Taps since the last entry. */
  let taps = 0;
  const tap = (page: Page, name: string | RegExp) => {
    taps += 1;
    return page
      .locator('.field')
      .getByRole('button', { name, exact: typeof name === 'string' })
      .first()
      .tap();
  };
  const tab = (page: Page, name: string) => {
    taps += 1;
    return page.getByRole('tab', { name }).tap();
  };
  async function type(page: Page, digits: string): Promise<void> {
    for (const digit of digits) {
      const name = digit === '.' ? 'Point' : digit;
      taps += 1;
      await page.locator('.pad').getByRole('button', { name, exact: true }).tap();
    }
  }

  /** Enters something, tells how many taps and seconds it took, and holds the taps to a number. */
  async function entering(
    page: Page,
    what: string,
    mostTaps: number,
    enter: () => Promise<void>,
  ): Promise<void> {
    const before = await rows(page).count();
    const begun = performance.now();
    taps = 0;
    await enter();
    await expect(rows(page)).toHaveCount(before + 1);
    const seconds = ((performance.now() - begun) / 1000).toFixed(1);
    test.info().annotations.push({ type: 'entry', description: `${what}: ${taps} taps, ${seconds} s` });
    expect(taps, what).toBeLessThanOrEqual(mostTaps);
  }

  test('twelve entries by touch, the server away for half of them, nothing lost', async ({
    page,
    knapsack,
  }) => {
    await openField(page, knapsack);
    // The sentence and the commonest entries stand on one screen.
    for (const one of [
      sentence(page),
      // The room's own name, the seventh in a line that goes on beyond the screen.
      page.locator('.trail .here'),
      page.getByRole('button', { name: 'Keep' }),
      page.locator('.pad button').last(),
    ])
      await expect(one).toBeInViewport({ ratio: 1 });

    // Four taps for the digits, one to keep: what is on was remembered.
    await entering(page, 'volts', 5, async () => {
      await type(page, '13.1');
      await expect(page.locator('#reading-says')).toContainText(
        /V, listening: would mean \d+ to \d+ %; it fits/,
      );
      await tap(page, 'Keep');
    });
    await expect(rows(page).first()).toContainText('13.1 V listening: alone');
    await entering(page, 'amps key down', 6, async () => {
      await tap(page, 'A');
      await tap(page, 'key down');
      await type(page, '1.4');
      await tap(page, 'Keep');
    });
    await expect(rows(page).first()).toContainText('1.4 A key down');
    await entering(page, 'sky', 2, async () => {
      await tab(page, 'Sky');
      await tap(page, 'overcast');
    });
    await entering(page, 'stop', 2, async () => {
      await tab(page, 'Work');
      await tap(page, /^Stop FT8 5 W/);
    });
    await entering(page, 'start', 2, async () => {
      await tab(page, 'Work');
      await expect(page.locator('.field-form')).toContainText('Off the air.');
      await tap(page, /^Start FT8 5 W/);
    });
    await entering(page, 'Ah out', 5, async () => {
      await tap(page, 'Ah out');
      await type(page, '2.9');
      await tap(page, 'Keep');
    });
    await expect(kept(page)).toHaveText('on the server');
    await expect(rows(page)).toHaveCount(DEMO_ENTRIES + 6);

    await knapsack.stop();
    await entering(page, 'per cent', 4, async () => {
      await tap(page, '%');
      await type(page, '60');
      await tap(page, 'Keep');
    });
    await expect(kept(page)).toHaveText('1 saved here, not yet on the server');
    await entering(page, 'rain', 2, async () => {
      await tab(page, 'Sky');
      await tap(page, 'rain');
    });
    await entering(page, 'shade', 2, async () => {
      await tab(page, 'More');
      await tap(page, 'Half in shade');
    });
    await entering(page, 'note, besides its words', 2, async () => {
      await tab(page, 'More');
      await page.getByLabel('Note').fill('Rain from the west.');
      taps += 1;
      await page.locator('.note-entry').getByRole('button', { name: 'Keep' }).tap();
    });
    await entering(page, 'meter set to zero', 2, async () => {
      await tab(page, 'More');
      await tap(page, 'Meter set to zero');
    });
    await entering(page, 'volts again', 6, async () => {
      await tap(page, 'V');
      await type(page, '13.0');
      await tap(page, 'Keep');
    });
    await expect(kept(page)).toHaveText('6 saved here, not yet on the server');
    // The estimate needs no server.
    await expect(sentence(page)).toContainText('left');
    await expect(rows(page)).toHaveCount(DEMO_ENTRIES + 12);

    await knapsack.resume();
    await page.evaluate(() => dispatchEvent(new Event('online')));
    await expect(kept(page)).toHaveText('on the server');
    expect((await entries(knapsack)).length).toBe(DEMO_ENTRIES + 12);
    await page.reload();
    await expect(rows(page)).toHaveCount(DEMO_ENTRIES + 12);
  });

  test('129 for 12.9 and less than before are asked about, nonsense is told', async ({ page, knapsack }) => {
    await openField(page, knapsack);
    await tap(page, 'Keep');
    await expect(page.locator('#reading-says')).toHaveText('Type the V that the meter shows.');
    await type(page, '129');
    await tap(page, 'Keep');
    await expect(page.locator('#reading-says')).toContainText('Is it 12.9 V?');
    await tap(page, 'Yes, 12.9');
    await expect(rows(page).first()).toContainText('12.9 V');

    await tap(page, 'Ah out');
    await type(page, '0.4');
    await tap(page, 'Keep');
    await expect(page.locator('#reading-says')).toContainText('Was the meter reset in between?');
    await tap(page, 'It was reset');
    await expect(rows(page)).toHaveCount(DEMO_ENTRIES + 3);
    await expect(rows(page).first()).toContainText('0.4 Ah out');

    await tap(page, '%');
    await type(page, '400');
    await tap(page, 'Keep');
    await expect(page.locator('#reading-says')).toContainText('between 0 and 100 %');
    await expect(rows(page)).toHaveCount(DEMO_ENTRIES + 3);
  });

  test('what two phones write at the same time stands on both', async ({ page, knapsack, browser }) => {
    await openField(page, knapsack);
    const context = await browser.newContext({ locale: 'en-IE', timezoneId: 'Europe/Oslo' });
    const other = await context.newPage();
    await openField(other, knapsack);
    await tab(page, 'Sky');
    await tap(page, 'clear');
    await other.getByRole('tab', { name: 'Sky' }).click();
    await other.locator('.skies').getByRole('button', { name: 'fog' }).click();
    await expect(kept(other)).toHaveText('on the server');
    await expect(kept(page)).toHaveText('on the server');
    await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
    await other.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
    for (const one of [page, other]) {
      await expect(rows(one)).toHaveCount(DEMO_ENTRIES + 2);
      await expect(one.locator('.entries')).toContainText('sky: clear');
      await expect(one.locator('.entries')).toContainText('sky: fog');
    }
    await context.close();
  });
});
