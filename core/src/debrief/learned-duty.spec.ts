import { shareLaw } from '../chance/spreads.js';
import { FIELD_ACTS, darkFieldPlan } from '../testing/field-outings.js';
import { follow } from '../field/follow.js';
import { play } from '../field/play.js';
import { learnedDuties } from './learned-duty.js';

const plan = (() => {
  const bare = darkFieldPlan();
  return { ...bare, blocks: bare.blocks.map((block) => ({ ...block, activity: 'calling' as const })) };
})();
const acts = FIELD_ACTS.filter((act) => act.kind !== 'look');

describe('the law of a duty cycle', () => {
  it('has a habit as sure as what was learned, and leaves each block what is its own', () => {
    const usual = shareLaw(0.3);
    expect(usual).toEqual({ firmness: 30, habit: 0.7 });
    const variance = ({ firmness }: typeof usual) => (0.3 * 0.7) / (firmness + 1);
    const known = shareLaw(0.3, { source: 'learned', spread: 0.1 });
    const own = (law: typeof usual) => (1 - law.habit ** 2) * variance(law);
    expect(own(known)).toBeCloseTo(own(usual), 12);
    expect(known.habit ** 2 * variance(known)).toBeCloseTo((0.1 * 0.3) ** 2, 12);
  });

  it('is never surer than a tenth of the usual habit, nor less sure than that', () => {
    const [none, most] = [0, 9].map((spread) => shareLaw(0.3, { source: 'learned', spread }));
    expect(none.firmness).toBeLessThan(60);
    expect(none.habit).toBeGreaterThan(0.25);
    expect(most.firmness).toBeCloseTo(30, 9);
    for (const share of [0, 1]) expect(shareLaw(share, { source: 'learned' }).firmness).toBe(30);
  });
});

describe('what an outing taught of the operator', () => {
  it('is nothing new where nothing was read, one line for each activity and mode', () => {
    const duties = learnedDuties(follow(plan, { readings: [], events: [] }, plan.outing.endMs));
    expect(duties.map(({ mode, planned }) => [mode, planned])).toEqual([
      ['CW', 0.3],
      ['SSB', 0.2],
    ]);
    for (const { before, after, planned } of duties) {
      expect(before.mean).toBe(planned);
      expect(Math.abs(after.mean - planned)).toBeLessThan(0.006);
      expect(Math.abs(after.sd / before.sd - 1)).toBeLessThan(0.1);
    }
  });

  it('is more where more was used, and nothing of what was not worked yet', () => {
    const [firstHour] = acts;
    const early = follow(plan, { readings: [], events: [] }, firstHour.timeMs);
    expect(learnedDuties(early).map(({ mode }) => mode)).toEqual(['CW']);
    const talks = { ...plan, blocks: plan.blocks.map((block) => ({ ...block, share: 1.6 * block.share })) };
    const { log } = play(talks, acts, plan.outing.endMs, 3);
    const duties = learnedDuties(follow(plan, log, plan.outing.endMs));
    for (const { before, after } of duties) {
      expect(after.mean).toBeGreaterThan(1.15 * before.mean);
      expect(after.sd).toBeLessThan(0.95 * before.sd);
    }
  });

  it('is told for each mode, activity and planned share by itself, and once', () => {
    const [first, second] = plan.blocks;
    const others = [
      {},
      { mode: 'SSB' },
      { activity: 'answering' },
      { share: 0.5 },
      { mode: undefined },
      { activity: undefined },
      { mode: 'SSB' },
    ] as const;
    const hours = (plan.outing.endMs - plan.outing.startMs) / others.length;
    const blocks = others.map((other, index) => ({
      ...{ ...(index % 2 ? second : first), mode: 'CW' as const, activity: 'calling' as const, share: 0.3 },
      ...other,
      startMs: plan.outing.startMs + index * hours,
      endMs: plan.outing.startMs + (index + 1) * hours,
    }));
    const followed = follow(
      { ...plan, blocks } as typeof plan,
      { readings: [], events: [] },
      plan.outing.endMs,
    );
    expect(
      learnedDuties(followed).map(({ mode, activity, planned }) => `${mode} ${activity} ${planned}`),
    ).toEqual(['CW calling 0.3', 'SSB calling 0.3', 'CW answering 0.3', 'CW calling 0.5']);
  });
});
