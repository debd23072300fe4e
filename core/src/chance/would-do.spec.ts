import { plan } from '../testing/ration-plans.js';
import { assessed } from './assess.js';
import { ChanceRun, chanceOf, MOST_SAMPLES } from './chance.js';
import { batteryThatWouldDo } from './would-do.js';

describe('the battery that would do', () => {
  it('meets the target, and a whole Ah less does not, with its limits and resistance in proportion', () => {
    // A radio that drops out within the plateau: there the resistance counts.
    const bare = plan(6);
    const small = { ...bare, radio: { ...bare.radio, dropoutV: 12.6 } };
    const [pack] = small.packs;
    const label = { ...pack.label, ohmicOhm: 0.2, maxChargeA: 3 };
    const found = batteryThatWouldDo({ ...small, packs: [{ ...pack, label }] })!;
    expect(found).toBeGreaterThan(batteryThatWouldDo(small)!);
    const chanceWith = (ratedAh: number) => {
      const scaled = { ...label, ratedAh, ohmicOhm: (0.2 * 6) / ratedAh, maxChargeA: (3 * ratedAh) / 6 };
      const run = new ChanceRun({ ...small, packs: [{ ...pack, label: scaled }] });
      run.more(MOST_SAMPLES);
      return run.soFar();
    };
    const enough = chanceWith(found);
    expect(enough.chance).toBeGreaterThanOrEqual(enough.target);
    expect(chanceWith(found - 1).chance).toBeLessThan(enough.target);
  });

  it('is the same for a battery of which nobody has said a resistance or a limit', () => {
    const small = plan(6);
    const found = batteryThatWouldDo(small)!;
    const chanceWith = (ratedAh: number) => chanceOf(plan(ratedAh));
    expect(chanceWith(found).chance).toBeGreaterThanOrEqual(chanceWith(found).target);
    expect(chanceWith(found - 1).chance).toBeLessThan(chanceWith(found).target);
  });

  it('is said of a plan below its target alone', () => {
    const small = plan(6);
    const below = assessed(small, chanceOf(small));
    expect(below.wouldDoAh).toBe(batteryThatWouldDo(small) as number);
    expect(below.chance.chance).toBeLessThan(below.chance.target);
    expect([below.mark, below.run.verdict.lasts]).toEqual(['stop', false]);
    const enough = plan(30);
    expect('wouldDoAh' in assessed(enough, chanceOf(enough))).toBeFalse();
    const turns = { ...small, packs: [...small.packs, ...small.packs] as never };
    expect('wouldDoAh' in assessed(turns, chanceOf(small))).toBeFalse();
  });

  it('is none if the radio never gets its volts, and nothing is said of several', () => {
    const one = plan(6);
    expect(batteryThatWouldDo({ ...one, radio: { ...one.radio, dropoutV: 14 } })).toBeNull();
    // Far more than ten times a tiny battery is found.
    expect(batteryThatWouldDo(plan(0.5))!).toBeGreaterThan(5);
    expect(batteryThatWouldDo({ ...one, packs: [...one.packs, ...one.packs] as never })).toBeUndefined();
  });
});
