import type { Ration } from '@knapsack/core';
import { rationRules, sayRationOdds } from './ration-words.js';

const HOUR_MS = 3_600_000;
const low = { powerW: 5, share: 0.1 };
const high = { powerW: 10, share: 0.25 };
type Hours = Ration['hours'];
const rules = (hours: object[]) => rationRules({ hours: hours as unknown as Hours } as Ration, 'UTC');

describe('the table to take along', () => {
  it('says of an hour one choice where there is one, by the charge where there are more, nothing where there is none', () => {
    const table = rules([
      { startMs: 0, rules: [] },
      { startMs: HOUR_MS, rules: [{ fromSoc: 0, choice: high }] },
      {
        startMs: 2 * HOUR_MS,
        rules: [
          { fromSoc: 0, choice: null },
          { fromSoc: 0.4, choice: low },
          { fromSoc: 0.755, choice: high },
        ],
      },
    ]);
    expect(table.map(({ when, words }) => `${when}: ${words}`)).toEqual([
      'Thu 01:00: 10 W (25 %)',
      'Thu 02:00: below 40 %: off · from 40 %: 5 W (10 %) · from 76 %: 10 W (25 %)',
    ]);
    expect(table.map(({ startMs }) => startMs)).toEqual([HOUR_MS, 2 * HOUR_MS]);
  });
});

describe('what a ration says of its odds', () => {
  const odds = (finished: number) => ({ chance: finished / 100, finished, samples: 100, low: 0, high: 1 });
  const found = (binds: Ration['binds']) =>
    ({ odds: odds(91), blindOdds: odds(80), plannedOdds: odds(60), target: 0.9, binds }) as unknown as Ration;

  it('is what the table holds, what the schedule alone does, and what binds it', () => {
    const attended = sayRationOdds(found('steps'), false);
    expect(attended).toHaveSize(3);
    expect(attended[2]).toBe(
      'It is surer than 90 %, since the next step of power or duty cycle would be too much.',
    );
    expect(sayRationOdds(found(null), false)).toHaveSize(2);
  });

  it('is of one setting where nobody is there, or that none helps', () => {
    expect(sayRationOdds(found('single'), true)[0]).toMatch(/^One setting for the whole outing/);
    expect(sayRationOdds(found('nothing'), true)[0]).toMatch(/^No single setting helps/);
  });
});
