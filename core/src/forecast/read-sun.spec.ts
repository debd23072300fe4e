import { HOUR_MS } from '../span.js';
import { whiteboardPlan } from '../testing/plans.js';
import { forecast } from './forecast.js';
import { balanceLevel } from './read-sun.js';

describe('what the sun carries', () => {
  const outing = { startMs: 0, endMs: 48 * HOUR_MS };
  const half = (timeMs: number) => ((timeMs / HOUR_MS) % 24 < 12 ? 2 : 0);
  const plan = whiteboardPlan({
    outing,
    blocks: [{ ...whiteboardPlan().blocks[0], ...outing }],
    offeredA: half,
  });
  let run: ReturnType<typeof forecast>['march'];
  beforeAll(() => {
    run = forecast(plan).march;
  });

  it('for ever is what a day gives, less what charging loses of the part for the night', () => {
    // L x 24 = 12 L + 0.99 x 12 x (2 - L)
    expect(balanceLevel(run, 0.99)).toBeCloseTo((0.99 * 2) / (1 + 0.99), 9);
    // what cannot be stored serves the day alone
    expect(balanceLevel(run, 0)).toBeCloseTo(0, 9);
    expect(balanceLevel(run, 1)).toBeCloseTo(1, 9);
  });

  it('is not told of less than a day, and is nothing in the dark', () => {
    const short = forecast(whiteboardPlan({ offeredA: half })).march;
    expect(balanceLevel(short, 0.99)).toBeNull();
    // a sun that never sets carries what it always gives, even where nothing can be stored
    expect(balanceLevel(forecast({ ...plan, offeredA: () => 1.5 }).march, 0)).toBeCloseTo(1.5, 9);
    const dark = forecast({ ...plan, offeredA: () => 0 }).march;
    expect(balanceLevel(dark, 0.99)).toBe(0);
  });

  it('is told by its best and worst hour', () => {
    const { sun } = forecast(plan).verdict;
    expect([sun!.bestA, sun!.bestSurplusA]).toEqual([2, 1]);
    expect(sun!.balanceHours).toBeCloseTo(24, 9);
  });
});
