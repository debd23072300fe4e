import type { Page } from '@playwright/test';
import { expect } from './knapsack.js';

/** What has the focus, as a screen reader would name it: its role or tag, and its name. */
export const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const element = document.activeElement;
    if (!element || element === document.body) return 'nothing';
    const label = element.getAttribute('aria-label') ?? element.textContent ?? '';
    return `${element.getAttribute('role') ?? element.tagName.toLowerCase()} ${label.trim().replace(/\s+/g, ' ')}`;
  });

export const expectFocus = (page: Page, what: RegExp) => expect.poll(() => focused(page)).toMatch(what);

/** Goes on by Tab, as a person does, until something of that name has the focus. */
export async function tabTo(page: Page, what: RegExp, most = 150): Promise<void> {
  for (let step = 0; step < most; step++) {
    if (what.test(await focused(page))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${most} times Tab did not reach ${what}; the focus is on ${await focused(page)}.`);
}
