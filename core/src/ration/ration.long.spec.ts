import { even, plan } from '../testing/ration-plans.js';
import { ration } from './ration.js';

describe('the ration', () => {
  it('meets its target within two points over 2,000 fresh samples, where the plan does not', () => {
    for (const [ratedAh, target] of [
      [7, 0.9],
      [7, 0.7],
      [6, 0.95],
      [6, 0.8],
    ] as const) {
      const { odds, blindOdds, plannedOdds, binds } = ration(plan(ratedAh), even, target);
      expect(odds.samples).toBe(2000);
      expect(plannedOdds.chance).toBeLessThan(target);
      expect(odds.chance).toBeGreaterThan(target - 0.02);
      if (binds === null) expect(odds.chance).toBeLessThanOrEqual(target + 0.02);
      // Who never looks at the battery cannot save when it is low.
      expect(blindOdds.chance).toBeLessThan(odds.chance);
    }
  });

  it('asks for no more than was planned, and says so, unless more is allowed', () => {
    const rich = ration(plan(14), even, 0.9);
    expect(rich.binds).toBe('ceilings');
    expect(rich.worth).toBeLessThanOrEqual(rich.plannedWorth + 1e-9);
    for (const { rules, planned } of rich.hours) {
      for (const { choice } of rules) {
        expect(choice?.powerW ?? 0).toBeLessThanOrEqual(planned!.powerW);
        expect(choice?.share ?? 0).toBeLessThanOrEqual(planned!.share);
      }
    }
    const more = ration(plan(14), { ...even, moreShare: true }, 0.9);
    expect(more.worth).toBeGreaterThan(1.2 * more.plannedWorth);
    expect(Math.max(...more.hours.map(({ proposed }) => proposed?.share ?? 0))).toBeGreaterThan(0.4);
    const low = plan(14, { blocks: [{ ...plan(14).blocks[0], powerW: 5 }] });
    const louder = ration(low, { ...even, morePower: true }, 0.9);
    expect(Math.max(...louder.hours.map(({ proposed }) => proposed?.powerW ?? 0))).toBe(10);
  });
});
