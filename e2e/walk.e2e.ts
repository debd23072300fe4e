import { axeFaults, fingerFaults, focusFaults, nameFaults, spacingFaults, widthFaults } from './looks.js';
import { atRest, expect, openTrip, test } from './knapsack.js';
import { PAGES } from './pages.js';

// Axe walks every element three times; on a machine that does other work as well that takes minutes.
test.describe.configure({ timeout: 240_000 });

for (const { name, path, makeWhole } of PAGES) {
  test(`${name}: axe finds nothing, everything has its name, room and focus, and nothing runs off the page`, async ({
    page,
    knapsack,
  }) => {
    await page.goto(`${knapsack.address}${path}`);
    await makeWhole(page);
    const wrong = [...(await axeFaults(page)), ...(await nameFaults(page)), ...(await spacingFaults(page))];
    wrong.push(...(await widthFaults(page)), ...(await focusFaults(page)), ...(await fingerFaults(page)));
    expect(wrong).toEqual([]);
  });
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
