import { measuredRadio } from '../testing/plans.js';
import { fieldHour, fieldPlan } from '../testing/field-outings.js';
import { ahead } from './ahead.js';
import { follow } from './follow.js';
import { wouldDoNow } from './would-do-now.js';

const figures = measuredRadio(0.4, [10, 3], [5, 1.9], [2, 1.2]);
const tight = (ratedAh: number) =>
  fieldPlan({
    radio: { name: 'Curlew', figures, dropoutV: 9 },
    pack: { label: { ...fieldPlan().packs[0].label, ratedAh } },
  });
const found = (ratedAh: number) => {
  const followed = follow(tight(ratedAh), { readings: [], events: [] }, fieldHour(8), { particles: 500 });
  const as = ahead(followed)!;
  return { as, would: wouldDoNow(followed, as) };
};

describe('what would do from here', () => {
  let as: ReturnType<typeof found>['as'];
  let would: ReturnType<typeof found>['would'];
  beforeAll(() => {
    ({ as, would } = found(7.5));
  });

  it('is told with its chance, the surest first, and only what helps', () => {
    expect(as.chance.chance).toBeLessThan(0.9);
    const own = would.filter((one) => one.do !== 'battery');
    const chances = own.map(({ odds }) => odds.chance);
    expect(chances).toEqual(chances.toSorted((a, b) => b - a));
    for (const chance of chances) expect(chance).toBeGreaterThan(as.chance.chance);
    expect(would.map((one) => one.do).sort()).toEqual(['battery', 'duty', 'power', 'stop', 'turn']);
    // What one has at hand comes before what somebody may bring.
    expect(would.at(-1)!.do).toBe('battery');
    expect(would.at(-1)!.odds.chance).toBeGreaterThan(0.97);
  });

  it('is the mildest power that reaches the target, else the lowest', () => {
    const power = would.find((one) => one.do === 'power')!;
    expect(power.odds.chance >= 0.9 ? [5, 2] : [2]).toContain((power as { powerW: number }).powerW);
    const hopeless = found(4).would.find((one) => one.do === 'power');
    if (hopeless) expect((hopeless as { powerW: number }).powerW).toBe(2);
  });

  it('is an end that has the target chance', () => {
    const stop = would.find((one) => one.do === 'stop')!;
    expect((stop as { endMs: number }).endMs).toBe(as.stopMs!);
    expect(stop.odds.chance).toBe(0.9);
  });
});
