import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { test as base, expect, type BrowserContext, type Locator, type Page } from '@playwright/test';
import { start, type Running } from '@knapsack/server';
import { keepSecret, readReach, secretOf } from '@knapsack/server/reach';

/** The folder of the whole project. */
export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** A real server on a fresh file that can be stopped and started again at the same address. */
export class Knapsack {
  private running: Running | null = null;
  private constructor(
    private readonly dataFolder: string,
    private readonly withDemo: boolean,
    private readonly environment: NodeJS.ProcessEnv = {},
  ) {}

  /** @param environment what it says of reach @param passphrase that is set */
  static async start(
    withDemo = true,
    environment: NodeJS.ProcessEnv = {},
    passphrase?: string,
  ): Promise<Knapsack> {
    const knapsack = new Knapsack(mkdtempSync(join(tmpdir(), 'knapsack-e2e-')), withDemo, environment);
    if (passphrase !== undefined) keepSecret(knapsack.dataFolder, await secretOf(passphrase));
    await knapsack.resume();
    return knapsack;
  }

  address = '';

  /** @param webFolder another release of the page */
  async resume(webFolder = join(ROOT, 'web/dist/browser')): Promise<void> {
    this.running = await start({
      dataFolder: this.dataFolder,
      port: this.address ? Number(new URL(this.address).port) : 0,
      webFolder,
      demoFolder: join(ROOT, 'demo'),
      withDemo: this.withDemo,
      reach: readReach(this.environment),
    });
    this.address = this.running.address;
  }

  async stop(): Promise<void> {
    await this.running?.close();
    this.running = null;
  }

  async end(): Promise<void> {
    await this.stop();
    rmSync(this.dataFolder, { recursive: true, force: true });
  }
}

interface Fixtures {
  readonly knapsack: Knapsack;
  /** A server without any data. */
  readonly empty: Knapsack;
  /** What the page complained about on its console; checked to be nothing after each test. */
  readonly complaints: string[];
}

/* eslint-disable no-empty-pattern -- Playwright reads a fixture's needs off its first parameter */
export const test = base.extend<Fixtures>({
  knapsack: async ({}, use) => {
    const knapsack = await Knapsack.start();
    await use(knapsack);
    await knapsack.end();
  },
  empty: async ({}, use) => {
    const knapsack = await Knapsack.start(false);
    await use(knapsack);
    await knapsack.end();
  },
  complaints: [
    async ({ page }, use) => {
      const complaints: string[] = [];
      page.on('pageerror', (error) => complaints.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && !/Failed to load resource/.test(message.text()))
          complaints.push(message.text());
      });
      await use(complaints);
      expect(complaints).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** What stands in the page, by the words a person reads; the odds come after it and are asked for by themselves. */
export const verdict = (page: Page) => page.locator('.verdict .told');
/** The verdict as it stands now, to hold later ones against. */
export async function textOf(page: Page): Promise<string> {
  // The typical outing is moved to the samples' median when they are done; before that its figures are on their way.
  await expect(page.locator('.verdict[data-settled]')).toBeAttached();
  return (await verdict(page).textContent())!.trim();
}
export const block = (page: Page, id: string) => page.locator(`[data-block="${id}"]`);
/** Waits until what was just changed is saved. */
export async function saved(page: Page): Promise<void> {
  // The page is drawn a task after a change: until then it still says of the state before that it is saved.
  await page.evaluate(() => new Promise((drawn) => setTimeout(drawn, 50)));
  await expect(page.locator('.save-state')).toHaveText('saved');
}

export async function openTrip(page: Page, { address }: Knapsack, id = 'gannet-rock-light'): Promise<void> {
  await page.goto(`${address}/trips/${id}`);
  await expect(verdict(page)).toContainText(/lasts|ends/);
  await expect(page.locator('ks-facts')).toBeAttached();
  await expect(page.locator('ks-print-sheet')).toBeAttached();
}

const RESTS_MS = 400;

/** Where something is once it rests: sentences that come a moment after a change push what is under them down. */
export async function atRest(locator: Locator) {
  let box = (await locator.boundingBox())!;
  for (let sinceMs = 0; sinceMs < RESTS_MS; sinceMs += 100) {
    await locator.page().waitForTimeout(100);
    const now = (await locator.boundingBox())!;
    if (now.y !== box.y || now.height !== box.height || now.width !== box.width) sinceMs = -100;
    box = now;
  }
  return box;
}

/**
 * Two tabs with the same trip, of which the other has lowered the power of block b2 from 10 to 5 W and saved it, and this one that of
 * a block, as often as told, without a look in between, as when both stand side by side.
 */
export async function twoTabsApart(
  page: Page,
  context: BrowserContext,
  knapsack: Knapsack,
  mine: { readonly block: string; readonly times: number },
): Promise<Page> {
  await openTrip(page, knapsack);
  const other = await context.newPage();
  await openTrip(other, knapsack);
  await block(other, 'b2').focus();
  await other.keyboard.press('[');
  await saved(other);
  await block(page, mine.block).focus();
  for (let times = 0; times < mine.times; times++) await page.keyboard.press('[');
  return other;
}
