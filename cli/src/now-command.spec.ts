import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO, expectSentence, file, run } from './testing/run.js';

const TRIP = join(DEMO, 'trips/gannet-rock-light.json');
const AT = ['--at', '2027-09-04T21:00:00Z'];
const entries = [
  { id: 'a', at: '2027-09-04T18:00:00Z', kind: 'reading', state: 'keyDown', amps: 1.95 },
  { id: 'b', at: '2027-09-04T20:20:00Z', kind: 'reading', state: 'listening', outAh: 3.6 },
  { id: 'wild', at: '2027-09-04T20:40:00Z', kind: 'reading', state: 'off', volts: 9 },
];
const log = (change: object = {}) =>
  file(JSON.stringify({ schema: 'knapsack.log', version: 1, trip: 'gannet-rock-light', entries, ...change }));

describe('knapsack now', () => {
  it('tells how to spend what is left, where that is asked', async () => {
    const { out } = await run('now', TRIP, log(), ...AT, '--ration');
    expect(out).toContain('Read the state of charge each hour and follow the table');
    expect(out).toMatch(/\n {2}Sat 23:00 {2}.*\d W \(\d+ %\)/);
    const { ration } = JSON.parse((await run('now', TRIP, log(), ...AT, '--ration', '--json')).out) as {
      ration: { hours: { startMs: number }[]; odds: { samples: number } };
    };
    expect(ration.hours[0].startMs).toBe(Date.parse(AT[1]));
    expect(ration.odds.samples).toBeGreaterThan(500);
  });

  it('tells how an outing stands, how it goes on, what does not fit and what was learned', async () => {
    const { code, out } = await run('now', TRIP, log(), ...AT, '--json');
    expect(code).toBe(0);
    const { soc, netA, chance, endsAt, misfit, learned, at } = JSON.parse(out) as {
      soc: Record<string, number>;
      netA: number;
      chance: number;
      endsAt: Record<string, string | null>;
      misfit: { id: string; p: number }[];
      learned: Record<string, { before: { mean: number; sd: number }; after: { mean: number; sd: number } }>;
      at: string;
    };
    expect(at).toBe('2027-09-04T21:00:00.000Z');
    expect(soc['p10']).toBeLessThan(soc['p50']);
    expect(soc['p50']).toBeLessThan(soc['p90']);
    expect(soc['p50']).toBeGreaterThan(0.7);
    expect(soc['p50']).toBeLessThan(0.95);
    expect(netA).toBeLessThan(0);
    expect(chance).toBeGreaterThan(0.9);
    expect(Object.keys(endsAt)).toEqual(['p10', 'p50', 'p90']);
    expect(misfit.map(({ id }) => id)).toEqual(['wild']);
    expect(misfit[0].p).toBeLessThan(0.002);
    expect(Object.keys(learned).sort()).toEqual(
      [
        'capacity',
        'dutyCycle.CW',
        'dutyCycle.FT8',
        'keyDown',
        'panelOutput',
        'receive',
        'resistance',
        'sky',
      ].sort(),
    );
    expect(learned['dutyCycle.CW'].after.sd).toBeLessThan(0.8 * learned['dutyCycle.CW'].before.sd);
  });

  it('says it in words', async () => {
    const { out } = await run('now', TRIP, log(), ...AT);
    const lines = out.trim().split('\n');
    expect(lines[0]).toBe('Gannet Rock light, Sat 23:00');
    expect(lines[1]).toMatch(/^\d\d % left \(\d\d to \d\d\), \d+\.\d Ah\.$/);
    expect(lines[2]).toMatch(/^\d\.\d\d A comes out of the battery\.$/);
    expect(lines[3]).toMatch(/^Lasts in (all of 400|\d+ of 100) simulated outings\.$/);
    expect(out).toContain('1 reading does not fit and is left out.');
    expect(out).toMatch(/Transmit duty cycle, CW: \d+ ± \d+ % before, \d+ ± \d+ % now\./);
  });

  it('takes the last entry for now where the clock is elsewhere', async () => {
    const { out } = await run('now', TRIP, log(), '--json');
    expect((JSON.parse(out) as { at: string }).at).toBe('2027-09-04T20:40:00.000Z');
    const empty = await run('now', TRIP, log({ entries: [] }), '--json');
    const first = JSON.parse(readFileSync(TRIP, 'utf8')) as { start: string };
    expect(Date.parse((JSON.parse(empty.out) as { at: string }).at)).toBe(Date.parse(first.start));
  });

  it('is over at its end', async () => {
    const over = [...entries, { id: 'z', at: '2027-09-04T20:50:00Z', kind: 'end' }];
    const { out } = await run('now', TRIP, log({ entries: over }), ...AT);
    expect(out).toContain('The outing is over.');
  });

  it('refuses what is no log, the log of another trip, and a time that is none', async () => {
    expectSentence(await run('now', TRIP, TRIP), 'A log begins with "schema": "knapsack.log".');
    expectSentence(await run('now', TRIP, log({ trip: 'other' })), 'is the log of “other”; the trip in');
    expectSentence(await run('now', TRIP, log(), '--at', 'noon'), '--at is a time like');
  });
});
