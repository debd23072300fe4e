import type { Page } from '@playwright/test';
import type { LogDocument } from '@knapsack/contract';
import { expect, type Knapsack } from './knapsack.js';

/** Entries of the demo's log. */
export const DEMO_ENTRIES = 15;

/** Opens the room as if the clock stood within the outing. */
export async function openField(
  page: Page,
  { address }: Knapsack,
  at = '2027-09-05T02:00:00+02:00',
): Promise<void> {
  await page.clock.setFixedTime(new Date(at));
  await page.goto(`${address}/trips/gannet-rock-light/field`);
  await expect(sentence(page)).toContainText('left');
}

export const sentence = (page: Page) => page.locator('.field-sentence:not(.rough)');
export const kept = (page: Page) => page.locator('.where-kept');
export const rows = (page: Page) => page.locator('.entries li');
export const entries = async ({ address }: Knapsack) =>
  ((await (await fetch(`${address}/api/logs/gannet-rock-light`)).json()) as LogDocument).entries;
