import type { MonthOfLoad } from '@knapsack/core';
import { byProspect } from './ending.js';
import { aloneSum } from './what-if-sums.js';

const month = (of: number, surplusAh: number, more: Partial<MonthOfLoad> = {}): MonthOfLoad => ({
  ...{ month: of, lasts: surplusAh > 0, endsAfterDays: null, surplusAh, lowestSoc: 0.5 },
  ...more,
});
const sum = (months: readonly MonthOfLoad[], worst: MonthOfLoad | null) =>
  aloneSum({ meanA: 0.25, darkDays: 3, months, worst }).lines.map(
    ({ label, result }) => `${label}: ${result}`,
  );

describe('a load that is left alone, as a sum', () => {
  it('names each month, the worst as such, and how it goes on', () => {
    const [january, july, december] = [month(1, -1), month(7, 4), month(12, -2, { endsAfterDays: 5 })];
    expect(sum([january, july, december], december)).toEqual([
      'without any sun, from full: 3.0 days',
      'January: runs down slowly',
      'July: lasts under the usual sky',
      'December, the worst: ends after 5.0 days',
    ]);
  });

  it('says only how long it goes without sun where there is no panel', () => {
    expect(sum([], null)).toEqual(['without any sun, from full: 3.0 days']);
    expect(sum([month(1, -1)], null)[1]).toMatch(/^January: /);
  });
});

describe('prospects', () => {
  const prospect = (share: number, endMs: number) =>
    ({ chance: { chance: share }, endMs }) as Parameters<typeof byProspect>[0];

  it('are in order of their chance, then of their end; two that last are alike', () => {
    const [sure, late, early] = [prospect(0.9, 5), prospect(0.5, 9), prospect(0.5, 5)];
    expect([early, sure, late].sort(byProspect)).toEqual([sure, late, early]);
    expect(byProspect(prospect(0.5, Infinity), prospect(0.5, Infinity))).toBe(0);
    expect(byProspect(prospect(0.5, Infinity), prospect(0.5, 5))).toBeLessThan(0);
  });
});
