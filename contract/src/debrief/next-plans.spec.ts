import { curlew, shale, shelf, trip } from '../testing/outing.js';
import { nextPlans, sayNextPlan } from './next-plans.js';

const thirsty = {
  ...curlew,
  receiveA: { value: 2 * curlew.receiveA.value, source: 'measured' },
} as typeof curlew;

describe('what an outing does to the plans that come', () => {
  it('is how each lasts and what it takes, before and after', () => {
    const [plan, ...rest] = nextPlans([trip()], shelf, [thirsty, shale]);
    expect(rest).toEqual([]);
    expect([plan.id, plan.name]).toEqual([trip().id, trip().name]);
    // Twice on receive; of five hours it sends for half, at the 0.44 that CW has the key down.
    expect(plan.after.plannedAh - plan.before.plannedAh).toBeCloseTo(
      curlew.receiveA.value * 5 * (1 - 0.5 * 0.44),
      2,
    );
    expect(plan.after.odds.chance).toBeLessThanOrEqual(plan.before.odds.chance);
  });

  it('leaves out what cannot be calculated with either shelf', () => {
    expect(nextPlans([trip()], shelf, [])).toEqual([]);
    expect(nextPlans([trip()], [], shelf)).toEqual([]);
  });

  it('is said in a sentence, and where nothing changes that', () => {
    const [same] = nextPlans([trip()], shelf, shelf);
    expect(sayNextPlan(same)).toMatch(/: lasts in .+, as before; takes .+ Ah, as before\.$/);
    const [more] = nextPlans([trip()], shelf, [thirsty, shale]);
    expect(sayNextPlan(more)).toMatch(/takes ([\d.]+) Ah, not [\d.]+ Ah\.$/);
  });
});
