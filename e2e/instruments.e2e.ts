import type { LogDocument, Trip } from '@knapsack/contract';
import { expect, test } from './knapsack.js';

test('an instrument sends lines with a token made in Settings, and Field has them', async ({
  page,
  knapsack,
}) => {
  // An outing that is under way.
  const demo = (await (await fetch(`${knapsack.address}/api/trips/gannet-rock-light`)).json()) as Trip;
  const { weather: _weather, variants: _variants, ...rest } = demo;
  const at = (hours: number) => new Date(Date.now() + hours * 3_600_000).toISOString();
  const trip = { ...rest, id: 'under-way', name: 'Under way', start: at(-5), end: at(5), blocks: [] };
  await fetch(`${knapsack.address}/api/trips`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(trip),
  });
  await page.goto(`${knapsack.address}/settings`);
  const part = page.locator('ks-instruments');
  await part.getByRole('button', { name: 'Make a token' }).click();
  await expect(part.getByRole('alert')).toHaveText('Give the instrument a name.');
  await part.getByLabel('Name of the instrument').fill('battery monitor');
  await page.keyboard.press('Enter');
  const token = (await part.locator('code').first().textContent())!;
  await expect(part.getByRole('row', { name: /^battery monitor/ })).toContainText('has sent nothing yet');

  const send = (lines: string) =>
    fetch(`${knapsack.address}/api/lines/under-way`, {
      method: 'POST',
      headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'text/plain' },
      body: lines,
    });
  expect((await send('B 0 13.12 -0.84 87 -2.31 640\nB 61000 13.11 -0.86 86 -2.33 630')).status).toBe(200);
  const log = (await (await fetch(`${knapsack.address}/api/logs/under-way`)).json()) as LogDocument;
  const sent = log.entries.filter(({ source }) => source === 'monitor');
  expect(sent.length).toBe(2);

  await page.goto(`${knapsack.address}/trips/under-way/field`);
  await expect(page.locator('.entries li')).toHaveCount(sent.length);
  await expect(page.locator('.entries li').first()).toContainText('13.11 V, 0.86 A, 86 %');

  await page.goto(`${knapsack.address}/settings`);
  await expect(part.getByRole('row', { name: /^battery monitor/ })).toContainText('last sent');
  await part.getByRole('button', { name: 'Take away battery monitor' }).click();
  await expect(part.getByRole('row')).toHaveCount(0);
  expect((await send('B 0 13.12 -0.84 87 -2.31 640')).status).toBe(401);
});
