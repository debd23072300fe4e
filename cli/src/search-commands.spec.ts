import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO, expectSentence, file, run } from './testing/run.js';

describe('knapsack size', () => {
  const TRIP = join(DEMO, 'trips/winter-bothy.json');

  it('finds kits and says why others are ruled out', async () => {
    const { code, out } = await run('size', TRIP, '--chance', '0.9', '--max-kg', '3', '--json');
    expect(code).toBe(0);
    const { lightest, byWeight, ruledOut } = JSON.parse(out) as {
      lightest: { name: string; grams: number; chance: number };
      byWeight: { grams: number; chance: number }[];
      ruledOut: { rule: string }[];
    };
    expect(lightest.chance).toBeGreaterThanOrEqual(0.9);
    expect(byWeight.every(({ grams }) => grams <= 3000)).toBeTrue();
    expect(ruledOut.map(({ rule }) => rule)).toContain('too heavy');
    const words = (await run('size', TRIP, '--max-kg', '3')).out;
    expect(words).toContain(`Lightest: ${(lightest.grams / 1000).toFixed(2)} kg`);
  });

  it('tells each kit with its trip, which forecast takes and which Wire does not stop', async () => {
    const { out } = await run('size', join(DEMO, 'trips/gannet-rock-light.json'), '--json');
    const { byWeight } = JSON.parse(out) as { byWeight: { name: string; trip: object }[] };
    expect(byWeight.length).toBeGreaterThan(1);
    for (const { name, trip } of byWeight) {
      const written = file(JSON.stringify(trip));
      expect((await run('forecast', written)).code)
        .withContext(name)
        .toBe(0);
      const { checks } = JSON.parse((await run('wire', written, '--json')).out) as {
        checks: { severity: string; rule: string }[];
      };
      expect(checks.filter(({ severity }) => severity === 'stop'))
        .withContext(name)
        .toEqual([]);
    }
  });

  it('is asked for the trip’s own target chance', async () => {
    const asked = { ...(JSON.parse(readFileSync(TRIP, 'utf8')) as object), version: 9, targetChance: 0.75 };
    const { out } = await run('size', file(JSON.stringify(asked)), '--json');
    expect((JSON.parse(out) as { asked: number }).asked).toBe(0.75);
    const { out: told } = await run('forecast', file(JSON.stringify(asked)), '--json');
    expect((JSON.parse(told) as { chance: { target: number } }).chance.target).toBe(0.75);
    expectSentence(
      await run('forecast', file(JSON.stringify({ ...asked, targetChance: 0.3 }))),
      'target chance',
    );
  });

  it('answers a chance of one, a negative limit and no way to lie with a sentence', async () => {
    expectSentence(await run('size', TRIP, '--chance', '1'), 'Nothing is certain');
    expectSentence(await run('size', TRIP, '--max-kg=-2'), '--max-kg');
    expectSentence(await run('size', TRIP, '--aims', 'sideways'), 'must be one of');
  });
});

describe('knapsack ration', () => {
  const TRIP = join(DEMO, 'trips/winter-bothy.json');

  it('prints the hours and the table, and a trip that can be used on', async () => {
    const { out } = await run('ration', TRIP, '--json');
    const { odds, trip } = JSON.parse(out) as { odds: { chance: number }; trip: object };
    expect(odds.chance).toBeGreaterThan(0.85);
    expect((await run('forecast', file(JSON.stringify(trip)))).code).toBe(0);
    const words = (await run('ration', TRIP)).out;
    expect(words).toContain('By the charge at the hour');
    expect(words).toMatch(/from \d+ %: \d+ W/);
  });

  it('answers a chance of one with a sentence', async () => {
    expectSentence(await run('ration', TRIP, '--chance', '1'), 'must be below 1');
  });
});
