import { launchChromium } from './chromium.mjs';
import { served } from './bench/served.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const PLAN = '/trips/gannet-rock-light';

const compareBatteries = async (page) => {
  for (const name of ['Shale 18', 'Cobble 17', 'Tarn 256']) await page.getByLabel(`Compare ${name}`).check();
  await page.evaluate(() => scrollTo(0, 0));
};

const measureVoice = async (page) => {
  await page.getByLabel('How fast its clock runs').selectOption('60');
  await page.getByRole('button', { name: 'Record' }).click();
  await page.waitForTimeout(2500);
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: 'mark the remainder' }).click();
};

const twoVariants = async (page) => {
  await page.getByRole('button', { name: 'Keep as a variant' }).click();
  await page.getByRole('button', { name: 'Swap Shale 18' }).click();
  await page.getByRole('button', { name: /^Cobble 17/ }).click();
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  await page.waitForTimeout(2500);
};

const found = async (page) => {
  await page.locator('.standing', { hasText: /kits, each tried in 400 simulated outings/ }).waitFor();
  await page.getByRole('button', { name: 'Apply' }).waitFor();
};

const runInHand = async (page) => {
  await page.locator('.harness').getByText('0.6 m').click();
  await page.locator('.run-figures').waitFor();
};

const panelInHand = async (page) => {
  await page.getByRole('button', { name: 'Frond 42', exact: true }).click();
  await page.locator('.without', { hasText: 'as it is packed' }).waitFor();
};

const halfTried = async (page) => {
  const good = page.getByRole('button', { name: /^OK: / });
  for (let step = 0; step < 4; step++) await good.nth(step).click();
  await page.evaluate(() => document.activeElement.blur());
};

/** The look at a backup of which one trip was changed and one deleted since. */
const lookAtBackup = async (page) => {
  await page.evaluate(async () => {
    const backup = await (await fetch('/api/backup')).blob();
    const trip = await (await fetch('/api/trips/winter-bothy')).json();
    const send = (method, revision, body) => ({
      method,
      body,
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
    });
    const changed = JSON.stringify({ ...trip, name: 'Winter bothy, two nights' });
    await fetch('/api/trips/winter-bothy', send('PUT', 1, changed));
    await fetch('/api/trips/headland-contest-camp', send('DELETE', 1));
    const files = new DataTransfer();
    files.items.add(new File([backup], 'knapsack.zip'));
    const field = document.querySelector('[aria-label="Backup file"]');
    field.files = files.files;
    field.dispatchEvent(new Event('change'));
  });
  await page.locator('.restore-look').waitFor();
  // Not the folder of whoever takes the picture.
  await page.locator('.backup-page code').evaluate((code) => (code.textContent = '~/.knapsack/copies'));
};

const SHOTS = [
  { name: 'trips', path: '/' },
  { name: 'begin', path: '/begin' },
  { name: 'quick-sum', path: '/sum' },
  { name: 'plan', path: PLAN },
  { name: 'size', path: '/trips/gannet-rock-light/size', act: found },
  { name: 'wire', path: '/trips/headland-contest-camp/wire', act: runInHand },
  { name: 'pack', path: `${PLAN}/pack`, act: panelInHand },
  { name: 'rehearse', path: `${PLAN}/rehearse`, act: halfTried },
  { name: 'card', path: `${PLAN}/card`, act: (page) => page.getByText('Ration: power').waitFor() },
  {
    name: 'field',
    path: `${PLAN}/field`,
    act: (page) => page.locator('.field-sentence:not(.rough)').waitFor(),
    size: PHONE,
  },
  {
    name: 'debrief',
    path: '/trips/skua-head-camp/debrief',
    act: (page) => page.locator('.next-plans li').first().waitFor(),
  },
  {
    name: 'logbook',
    path: '/logbook',
    act: (page) => page.getByText(/^Of 9 outings 7 lasted; 8\.2 were to be expected\.$/).waitFor(),
  },
  { name: 'settings', path: '/settings' },
  { name: 'plan-variants', path: PLAN, act: twoVariants },
  { name: 'gear', path: '/gear', act: compareBatteries },
  { name: 'bench', path: '/bench', act: measureVoice },
  { name: 'plan-ember', path: PLAN, theme: 'ember' },
  { name: 'backup', path: '/backup', act: lookAtBackup },
  { name: 'plan-phone', path: PLAN, size: PHONE },
];

/** Takes every shot into a folder, each from the demo data as they come. @param names of some of them alone */
export async function takeAll(folder, names = []) {
  const browser = await launchChromium();
  const wanted = SHOTS.filter(({ name }) => names.length === 0 || names.includes(name));
  for (const shot of wanted) await served((address) => take(browser, address, folder, shot));
  await browser.close();
}

async function take(browser, address, folder, { name, path, act, theme = 'paper', size = DESK }) {
  const context = await browser.newContext({
    locale: 'en-IE',
    viewport: size,
    timezoneId: 'Europe/Oslo',
    hasTouch: size === PHONE,
  });
  const page = await context.newPage();
  await page.addInitScript((chosen) => localStorage.setItem('knapsack.theme', chosen), theme);
  await page.goto(address + path);
  await page
    .locator(
      '.verdict .sentence .unfold, .size .question, .trips .trip-verdict, .answer, .shelf, .bench .asking, .room-verdict .blaze, .field-card, .backup-page code, .begin .asking, .settings .example, .field-sentence, .logbook .sentence',
    )
    .first()
    .waitFor();
  await page.waitForTimeout(800);
  if (/^.trips.[^/]+$/.test(path)) await page.locator('[data-unfolds="chance"]').waitFor();
  await act?.(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `${folder}/${name}.png` });
  await context.close();
}
