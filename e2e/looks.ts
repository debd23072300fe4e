import type { Page } from '@playwright/test';
import axeCore, { type RunOptions } from 'axe-core';

declare global {
  var axe: typeof axeCore;
}

/** What axe finds, of whatever weight: by all of its rules as the page stands, then by those on colour in the other themes. */
export async function axeFaults(page: Page): Promise<string[]> {
  // Once for all themes, and into this page alone: it has no frames.
  await page.evaluate(axeCore.source);
  const found = await findings(page, { rules: { 'target-size': { enabled: true } } });
  for (const theme of ['glare', 'ember', 'paper']) {
    await page.evaluate((name) => (document.documentElement.dataset['theme'] = name), theme);
    if (theme === 'paper') continue;
    const colours = await findings(page, { runOnly: ['color-contrast', 'link-in-text-block'] });
    found.push(...colours.map((words) => `${theme}, ${words}`));
  }
  return found;
}

/** WCAG 2.5.8, equivalent: kits that lie together in the plot stand in the table under it too. */
const isElsewhere = (rule: string, target: string): boolean =>
  rule === 'target-size' && target.includes('.on-front');

async function findings(page: Page, options: RunOptions): Promise<string[]> {
  // What passes is not told one by one: that takes longer than to find it. There are no frames to look into, and no sound or film
  // to fetch.
  const asked: RunOptions = { ...options, resultTypes: ['violations'], iframes: false, preload: false };
  const violations = await page.evaluate(async (run) => (await globalThis.axe.run(run)).violations, asked);
  return violations.flatMap(({ id, nodes }) => {
    const targets = nodes.map(({ target }) => target.join(' ')).filter((target) => !isElsewhere(id, target));
    return targets.length > 0 ? [`${id}: ${targets.join(', ')}`] : [];
  });
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
            '.inline-edit *, .inline-choice, .inline-time, .bag-name, .unfold, .block, .band, p a, li a',
          ),
          unsaid:
            unit !== null && unit !== undefined && !one.getAttribute('aria-describedby')?.includes(unit.id),
        };
      });
  });

/** What has no name of its own, does not say its unit, or is too small to be pressed with a mouse. */
export async function nameFaults(page: Page): Promise<string[]> {
  const seen = new Map<string, string | null>();
  return (await stops(page)).flatMap(({ tag, name, width, height, link, inText, unsaid }) => {
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
}

/** What is less than 44 px high under a finger, on a phone. */
export async function fingerFaults(page: Page): Promise<string[]> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setTouchEmulationEnabled', { enabled: true });
  await page.setViewportSize({ width: 390, height: 844 });
  const faults = (await stops(page)).flatMap(({ name, width, height, inText }) =>
    height < 43.5 || (!inText && width < 43.5) ? [`${name} is ${width} by ${height} px under a finger`] : [],
  );
  await session.send('Emulation.setTouchEmulationEnabled', { enabled: false });
  return faults;
}

const SIZES = [
  [1280, 800],
  [1920, 1080],
  [390, 844],
  [640, 400],
  [320, 640],
  // As wide and as high as a window of 1280 by 1024 at 400 %.
  [320, 256],
] as const;

/** At which sizes of the window something runs off the page. */
export async function widthFaults(page: Page): Promise<string[]> {
  const faults: string[] = [];
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    // Without a wait: a picture that follows its window a frame later must not push the page wide until then.
    const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    if (over > 0) faults.push(`${over} px wider than a window of ${width} px`);
  }
  return faults;
}

const MOST_STEPS = 60;

/** What does not show that it has the focus, or lies out of sight or under something with it, on the smallest window. */
export async function focusFaults(page: Page): Promise<string[]> {
  await page.setViewportSize({ width: 320, height: 256 });
  // The list takes the rows that a window of this height has room for.
  await page.waitForTimeout(300);
  const steps = Math.min(MOST_STEPS, (await stops(page)).length);
  await page.evaluate(() =>
    (document.querySelector<HTMLElement>('[role=dialog]') ?? document.querySelector('main'))?.focus(),
  );
  const faults: string[] = [];
  for (let step = 0; step < steps; step++) {
    await page.keyboard.press('Tab');
    const told = await focusTold(page);
    if (!told) continue;
    if (!told.shows) faults.push(`${told.name} does not show the focus`);
    if (!told.isSeen) faults.push(`${told.name} is out of sight with the focus`);
    if (told.isSeen && told.isCovered) faults.push(`${told.name} lies under ${told.by}`);
  }
  return faults;
}

const focusTold = (page: Page) =>
  page.evaluate(() => {
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
      !element.matches('.on-front') && over !== null && !element.contains(over) && !over.contains(element);
    return { name: name.trim().slice(0, 40), shows, isSeen, isCovered, by: String(over?.className) };
  });

/** WCAG 2.2, 1.4.12: words that are clipped by spacing that a reader sets. */
export const spacingFaults = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const spacing = new CSSStyleSheet();
    spacing.replaceSync(
      '* { line-height: 1.5 !important; letter-spacing: .12em !important; word-spacing: .16em !important }',
    );
    document.adoptedStyleSheets.push(spacing);
    const clipped = Array.from(
      document.querySelectorAll<HTMLElement>(
        'main button, main a, main p, main td, main th, main h2, main li, main label',
      ),
    ).filter((one) => {
      const { overflowX, textOverflow } = getComputedStyle(one);
      return (
        !one.matches('.visually-hidden') &&
        overflowX !== 'visible' &&
        textOverflow !== 'ellipsis' &&
        one.scrollWidth > one.clientWidth + 1
      );
    });
    const said = clipped.map((one) => `${one.className} ${one.textContent?.trim().slice(0, 40)} is clipped`);
    document.adoptedStyleSheets.pop();
    return said;
  });
