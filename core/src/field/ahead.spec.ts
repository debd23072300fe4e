import { HOUR_MS, MINUTE_MS } from '../span.js';
import { fieldHour, fieldPlan } from '../testing/field-outings.js';
import { ahead, planAhead } from './ahead.js';
import { fieldNow } from './field-now.js';
import { follow, type FieldLog } from './follow.js';

const NOTHING: FieldLog = { readings: [], events: [] };
const few = { particles: 600 };

describe('an outing that goes on', () => {
  const plan = fieldPlan({ pack: { label: { ...fieldPlan().packs[0].label, ratedAh: 7 } } });
  let followed: ReturnType<typeof follow>;
  beforeAll(() => {
    followed = follow(plan, NOTHING, fieldHour(8), few);
  });

  it('is what is left of the plan', () => {
    const left = planAhead(followed);
    expect(left.outing.startMs).toBe(fieldHour(8));
    expect(left.blocks.map(({ startMs }) => startMs)).toEqual([fieldHour(8), fieldHour(25), fieldHour(32)]);
    expect(left.packs[0].startSoc).toBeGreaterThan(0.3);
    expect(left.packs[0].startSoc).toBeLessThan(1);
  });

  it('ends nowhere where nothing is left', () => {
    expect(ahead(follow(plan, NOTHING, plan.outing.endMs, few))).toBeNull();
    expect(fieldNow(plan, NOTHING, plan.outing.endMs + HOUR_MS, few).nowMs).toBe(plan.outing.endMs);
  });

  it('has ends that agree with its chance, and a last hour that would do', () => {
    const { chance, endsMs, stopMs } = ahead(followed)!;
    expect(chance.chance).toBeLessThan(0.9);
    expect(endsMs.p10).not.toBeNull();
    expect(endsMs.p10 === stopMs).toBeTrue();
    expect(stopMs!).toBeGreaterThan(fieldHour(8));
    const shorter = ahead(followed, (left) => ({
      ...left,
      outing: { ...left.outing, endMs: stopMs! - 10 * MINUTE_MS },
    }))!;
    expect(shorter.chance.chance).toBeGreaterThanOrEqual(0.88);
  });

  it('lasts longer with less to do, under more sun, and shorter under a sky that stays closed', () => {
    const as = ahead(followed)!.chance.chance;
    const less = ahead(followed, (left) => ({
      ...left,
      blocks: left.blocks.map((block) => ({ ...block, share: block.share / 2 })),
    }))!.chance.chance;
    const skyAt = (cloud: number) => () => ({ cloud, rain: false, airC: 15, windMS: 2 });
    const clear = ahead(followed, undefined, { skyAt: skyAt(0), goesOn: true })!.chance.chance;
    const closed = ahead(followed, undefined, { skyAt: skyAt(1), goesOn: true })!.chance.chance;
    const maybeClosed = ahead(followed, undefined, { skyAt: skyAt(1) })!.chance.chance;
    expect(less).toBeGreaterThan(as);
    expect(clear).toBeGreaterThan(as);
    expect(closed).toBeLessThan(as);
    expect(maybeClosed).toBeGreaterThan(closed);
  });
});
