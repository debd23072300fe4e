import type { Page } from '@playwright/test';
import { atRest, expect, openTrip, test, verdict, type Knapsack } from './knapsack.js';

test.describe.configure({ timeout: 300_000 });

const CAMP = '/trips/headland-contest-camp';
/** Every page with much in it open, and what stands there once it is whole. */
const PAGES: readonly (readonly [string, (page: Page) => Promise<unknown>])[] = [
  ['/', (page) => page.getByRole('link', { name: 'Winter bothy' }).waitFor()],
  ['/begin', (page) => page.getByRole('button', { name: 'Plan it' }).waitFor()],
  ['/sum', (page) => page.locator('.answer').getByText('Lasts').waitFor()],
  ['/backup', (page) => page.getByText('There is none yet').waitFor()],
  ['/settings', (page) => page.getByText('It reads:').waitFor()],
  ['/guide/plan', (page) => page.getByRole('heading', { name: 'What it answers' }).waitFor()],
  ['/gear', (page) => page.locator('[data-gear="curlew-10"] .bag-name').click()],
  ['/logbook', (page) => page.locator('.requirements tfoot').waitFor()],
  ['/bench', (page) => page.getByRole('button', { name: 'Record' }).waitFor()],
  [
    '/trips/gannet-rock-light',
    async (page) => {
      await expect(verdict(page)).toContainText('lasts');
      await page.getByRole('button', { name: 'Table of hours' }).click();
      await page.locator('[data-block="b2"]').click();
      await page.locator('ks-facts').waitFor();
    },
  ],
  ['/trips/gannet-rock-light/size', (page) => page.locator('.on-front').first().waitFor()],
  [`${CAMP}/wire`, (page) => page.locator('.harness').getByText('0.6 m').click()],
  [`${CAMP}/pack`, (page) => page.getByRole('button', { name: 'Shale 60', exact: true }).click()],
  [`${CAMP}/rehearse`, (page) => page.locator('.noise').first().waitFor()],
  ['/trips/gannet-rock-light/field', (page) => page.locator('.field-sentence:not(.rough)').waitFor()],
  [
    '/trips/gannet-rock-light/field?dry-run',
    async (page) => {
      await page.getByRole('button', { name: /^Dry run/ }).click();
      await page.locator('.displays li').first().waitFor();
      await page.getByRole('button', { name: 'Pause' }).click();
    },
  ],
  ['/trips/gannet-rock-light/debrief', (page) => page.locator('.next-plans li').first().waitFor()],
  [`${CAMP}/card`, (page) => page.locator('.field-card').getByText('Take care').waitFor()],
];

/** Opens each page in turn; what is wrong with them is gathered, so that one run tells all. */
async function through(
  page: Page,
  { address }: Knapsack,
  look: (path: string) => Promise<readonly string[]>,
): Promise<string[]> {
  const wrong: string[] = [];
  for (const [path, isWhole] of PAGES) {
    await page.goto(`${address}${path}`);
    await isWhole(page);
    wrong.push(...(await look(path)).map((words) => `${path}: ${words}`));
  }
  return wrong;
}

/** What everything that can be pressed or typed into is, by name, size and unit. */
const stops = (page: Page) =>
  page.evaluate(() => {
    const nameOf = (element: Element): string => {
      const label = element.getAttribute('aria-label');
      if (label) return label;
      const by = element.getAttribute('aria-labelledby');
      if (by)
        return by
          .split(' ')
          .map((id) => document.getElementById(id)?.textContent ?? '')
          .join(' ');
      const labels = (element as HTMLInputElement).labels;
      if (labels?.length)
        return Array.from(labels)
          .map((one) => one.textContent ?? '')
          .join(' ');
      return element.textContent ?? '';
    };
    const all = document.querySelectorAll(
      'a[href], button, input, select, textarea, summary, [tabindex="0"]',
    );
    return Array.from(all)
      .filter((one) => one.checkVisibility({ visibilityProperty: true }) && one.getClientRects().length > 0)
      .map((one) => {
        const box = one.closest('label')?.getBoundingClientRect() ?? one.getBoundingClientRect();
        const reach = getComputedStyle(one, '::after');
        const more = reach.position === 'absolute' ? -2 * parseFloat(reach.top) : 0;
        const rim = one.querySelector(':scope > .press');
        const drawn = rim ? parseFloat(getComputedStyle(rim).strokeWidth) : 0;
        const unit = one.parentElement?.querySelector(':scope > .unit');
        return {
          tag: one.tagName,
          name: nameOf(one).trim().replace(/\s+/g, ' '),
          width: box.width,
          height: box.height + (more > 0 ? more : 0) + drawn,
          link: one.getAttribute('href'),
          // Words in a sentence are as wide as they are; a block is as wide as its hours.
          inText: one.matches(
            '.inline-edit *, .inline-choice, .inline-time, .bag-name, .unfold, .block, p a, li a',
          ),
          unsaid:
            unit !== null && unit !== undefined && !one.getAttribute('aria-describedby')?.includes(unit.id),
        };
      });
  });

test('everything that is pressed or typed into has a name of its own, its unit, and room; wide spacing clips nothing', async ({
  page,
  knapsack,
}) => {
  const wrong = await through(page, knapsack, async () => {
    const found = await stops(page);
    const seen = new Map<string, string | null>();
    const faulty = found.flatMap(({ tag, name, width, height, link, inText, unsaid }) => {
      const faults: string[] = [];
      if (name === '') faults.push(`a ${tag} without a name`);
      if (unsaid) faults.push(`${name} does not say its unit`);
      if (height < 23.5 || (!inText && width < 23.5)) faults.push(`${name} is ${width} by ${height} px`);
      const key = `${tag} ${name}`;
      // Two links of one name lead to one place.
      if (seen.has(key) && (link === null || seen.get(key) !== link)) faults.push(`two are called ${name}`);
      seen.set(key, link);
      return faults;
    });
    return [...faulty, ...(await clipped(page))];
  });
  expect(wrong).toEqual([]);
});

test.describe('for a finger', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('everything is 44 px high', async ({ page, knapsack }) => {
    const wrong = await through(page, knapsack, async () =>
      (await stops(page)).flatMap(({ name, width, height, inText }) =>
        height < 43.5 || (!inText && width < 43.5) ? [`${name} is ${width} by ${height} px`] : [],
      ),
    );
    expect(wrong).toEqual([]);
  });
});

test('nothing runs off a page of 320 px or at 200 %; what has the focus shows it, and lies under nothing', async ({
  page,
  knapsack,
}) => {
  await page.setViewportSize({ width: 320, height: 640 });
  const wrong = await through(page, knapsack, async () => {
    const faults: string[] = [];
    for (const [width, height] of [
      [640, 400],
      [320, 640],
      // As wide and as high as a window of 1280 by 1024 at 400 %.
      [320, 256],
    ] as const) {
      await page.setViewportSize({ width, height });
      // Without a wait: a picture that follows its window a frame later must not push the page wide until then.
      const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      if (over > 0) faults.push(`${over} px wider than a window of ${width} px`);
    }
    // The list takes the rows that a window of this height has room for.
    await page.waitForTimeout(300);
    const steps = Math.min(60, (await stops(page)).length);
    await page.evaluate(() => document.querySelector('main')?.focus());
    for (let step = 0; step < steps; step++) {
      await page.keyboard.press('Tab');
      const told = await page.evaluate(() => {
        const element = document.activeElement as HTMLElement;
        if (element === document.body) return null;
        const { left, right, top, bottom } = element.getBoundingClientRect();
        const name = element.getAttribute('aria-label') ?? element.textContent ?? '';
        const style = getComputedStyle(element);
        // What is drawn has a rim of its own.
        const rim = element.querySelector('.halo, .press');
        const shows =
          (style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) >= 1) ||
          (rim !== null && getComputedStyle(rim).stroke !== 'none');
        const [x, y] = [(left + right) / 2, (Math.max(0, top) + Math.min(innerHeight, bottom)) / 2];
        const over = document.elementFromPoint(Math.min(x, innerWidth - 2), y);
        const isSeen = bottom > 0 && top < innerHeight;
        // Of two kits that lie together in the plot one lies under the other.
        const isCovered =
          !element.matches('.on-front') &&
          over !== null &&
          !element.contains(over) &&
          !over.contains(element);
        return { name: name.trim().slice(0, 40), shows, isSeen, isCovered, by: over?.className ?? '' };
      });
      if (!told) continue;
      if (!told.shows) faults.push(`${told.name} does not show the focus`);
      if (!told.isSeen) faults.push(`${told.name} is out of sight with the focus`);
      if (told.isSeen && told.isCovered) faults.push(`${told.name} lies under ${String(told.by)}`);
    }
    await page.setViewportSize({ width: 320, height: 640 });
    return faults;
  });
  expect(wrong).toEqual([]);
});

/** WCAG 2.2, 1.4.12: words that are clipped by spacing that a reader sets. */
async function clipped(page: Page): Promise<string[]> {
  await page.evaluate(() => {
    const spacing = new CSSStyleSheet();
    spacing.replaceSync(
      '* { line-height: 1.5 !important; letter-spacing: .12em !important; word-spacing: .16em !important }',
    );
    document.adoptedStyleSheets = [spacing];
  });
  return page.evaluate(() =>
    Array.from(
      document.querySelectorAll<HTMLElement>(
        'main button, main a, main p, main td, main th, main h2, main li, main label',
      ),
    )
      .filter((one) => !one.matches('.visually-hidden'))
      .filter((one) => {
        const { overflowX, textOverflow } = getComputedStyle(one);
        return (
          overflowX !== 'visible' && textOverflow !== 'ellipsis' && one.scrollWidth > one.clientWidth + 1
        );
      })
      .map((one) => `${one.className} ${one.textContent?.trim().slice(0, 40)} is clipped`),
  );
}

test('the ridge is shown as large as it is drawn, whatever height is left for it: none of its words is stretched', async ({
  page,
  knapsack,
}) => {
  await openTrip(page, knapsack);
  for (const height of [800, 801, 777]) {
    await page.setViewportSize({ width: 1280, height });
    await atRest(page.locator('.ridge'));
    const [shown, drawn] = await page.locator('.ridge canvas').evaluate((canvas: HTMLCanvasElement) => {
      const { width, height: rows } = canvas.getBoundingClientRect();
      return [
        [width * devicePixelRatio, rows * devicePixelRatio],
        [canvas.width, canvas.height],
      ];
    });
    expect(shown).toEqual(drawn);
  }
});

test('the system’s own colours are taken, on the canvas too', async ({ page, knapsack }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await openTrip(page, knapsack);
  await expect(page.locator('.verdict[data-settled]')).toBeAttached();
  const seen = await page.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>('.ridge canvas')!;
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
    const colours = new Set<string>();
    for (let at = 0; at < data.length; at += 4)
      if (data[at + 3] === 255) colours.add(`${data[at]} ${data[at + 1]} ${data[at + 2]}`);
    const system = (name: string) => {
      const probe = document.body.appendChild(document.createElement('i'));
      probe.style.color = name;
      const rgb = getComputedStyle(probe).color.match(/\d+/g)!.slice(0, 3).join(' ');
      probe.remove();
      return rgb;
    };
    return { ink: colours.has(system('CanvasText')), line: colours.has(system('LinkText')) };
  });
  expect(seen).toEqual({ ink: true, line: true });
});

test('a page that is new to a browser begins as the system looks', async ({ browser, knapsack }) => {
  for (const [options, theme] of [
    [{ colorScheme: 'dark' as const }, 'ember'],
    [{ contrast: 'more' as const }, 'glare'],
    [{}, 'paper'],
  ] as const) {
    const context = await browser.newContext(options);
    const page = await context.newPage();
    await page.goto(knapsack.address);
    await page.getByRole('heading', { name: 'Trips' }).waitFor();
    expect(await page.evaluate(() => document.documentElement.dataset['theme'])).toBe(theme);
    await page.getByRole('button', { name: /^Theme/ }).click();
    const chosen = await page.evaluate(() => document.documentElement.dataset['theme']);
    await page.reload();
    await expect(page.locator('html')).toHaveAttribute('data-theme', chosen!);
    await context.close();
  }
});
