import type { Battery, Gear, Radio } from '../documents/gear.js';
import { lookUp } from './look-up.js';
import { curlew, shale, shelf, trip } from '../testing/outing.js';
import { agm, iron, run } from '../testing/sample-gear.js';
import { hundred, kit, toHundred } from '../testing/sample-kit.js';
import { describeFixes, type Fix } from '../what-if/fixes.js';
import { harnessReport } from '../harness/harness-report.js';
import { isBatteryAllowed } from './allowed-battery.js';
import { resolve } from './resolve.js';
import { forecast } from '@knapsack/core';

const planOf = (of: ReturnType<typeof trip>, gear: readonly Gear[]) => {
  const plan = resolve(of, gear);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};
const sheet = (value: number) => ({ value, source: 'datasheet' as const });

describe('figures that a plan calculates with', () => {
  it('never come from a simulated meter', () => {
    const simulated: Battery = { ...shale, measuredAh: { value: 3, source: 'simulated' } };
    const [pack] = planOf(trip(), [curlew, simulated]).packs;
    expect(pack.label.health).toBe(1);
    const measured: Battery = { ...shale, measuredAh: { value: 9, source: 'measured' } };
    expect(planOf(trip(), [curlew, measured]).packs[0].label.health).toBeCloseTo(0.9, 9);
  });

  it('take a data sheet at its word if the trip says so', () => {
    const radio: Radio = { ...curlew, receiveA: sheet(0.45) };
    const expected = planOf(trip(), [radio, shale]);
    const stated = planOf(trip({ sheetsAsStated: true }), [radio, shale]);
    const meanA = (plan: typeof expected) => forecast(plan).verdict.meanA;
    expect(meanA(stated)).toBeGreaterThan(meanA(expected));
    expect(stated.radio.figures.receive[0].amps).toBe(0.45);
    expect(expected.assumed.join(' ')).toContain('0.45 A data sheet, 0.40 A expected');
  });

  it('have more resistance for an aged battery', () => {
    const health = { value: 0.6, source: 'measured' as const };
    const [aged] = planOf(trip(), [curlew, { ...shale, health }]).packs;
    // Two of 10 Ah in parallel: 0.25 ohm Ah / 20 Ah x (1 + 2 x 0.4).
    expect(aged.label.ohmicOhm).toBeCloseTo(0.0225, 9);
  });
});

describe('batteries in parallel', () => {
  const two = kit('two', true, {
    gear: [hundred, iron(100), iron(12)],
    runs: [run('iron-100', 1.5, 4, 30), run('iron-12', 1.5, 4, 30), toHundred],
  });

  it('are calculated with their own cables, as Wire shows them', () => {
    const { ohm } = planOf(two.trip, two.gear).wiring.distribution!;
    const figures = harnessReport(two.trip, two.gear).runs;
    const [large, small] = ['iron-100', 'iron-12'].map((id) => figures.find(({ part }) => part === id)!);
    // Less than either cable, more than both of them in parallel: the small battery gives less.
    expect(ohm).toBeLessThan(large.ohm!);
    expect(ohm).toBeGreaterThan(large.ohm! / 2 + 1e-6);
    expect(large.keyDownA).toBeGreaterThan(small.keyDownA);
    const alone = kit('one', true, { gear: [hundred, iron(112)], runs: [toHundred] });
    expect(planOf(alone.trip, alone.gear).wiring.distribution).toBeNull();
  });

  it('of one kind and several sizes are one pack, limited by the first that reaches its limit', () => {
    const [pack] = planOf(two.trip, two.gear).packs;
    expect(pack.label.ratedAh).toBe(112);
    // Both may give 1 C, and share by their size.
    expect(pack.continuousA).toBeCloseTo(112, 6);
    const mixed = kit('mixed', false, { gear: [hundred, iron(20), agm(20)], runs: [toHundred] });
    expect(resolve(mixed.trip, mixed.gear).ok).toBeFalse();
  });
});

describe('a battery that would do', () => {
  it('is not offered if its kind must not be charged here', () => {
    const cold = trip({ temperatureC: -2 });
    const allowed = (of: ReturnType<typeof trip>) =>
      isBatteryAllowed(of, shelf, forecast(planOf(of, shelf)), 91);
    expect(lookUp(cold, shelf).missing).toEqual([]);
    expect(allowed(cold)).toBeTrue();
    // Too large to fly, at whatever charge.
    expect(allowed(trip({ packing: { wayIn: 'air' } }))).toBeFalse();
  });
});

describe('the heading over fixes', () => {
  const fix = (chance: number, more: Partial<Fix> = {}) =>
    ({ chance: { chance, target: 0.9 }, fixes: false, leavesStop: false, ...more }) as Fix;

  it('never says that none is enough over one that reaches the target', () => {
    expect(describeFixes([fix(0.5)])).toContain('None is enough');
    expect(describeFixes([fix(0.95)])).toContain('Wire forbids');
    expect(describeFixes([fix(0.95, { fixes: true })])).toBe('Fixes');
    expect(describeFixes([fix(0.95, { fixes: true, leavesStop: true })])).toContain('still has a stop');
  });
});
