import fc from 'fast-check';
import { chanceLaw } from '../chance/chance-law.js';
import { copyOf } from '../march/tight-pack.js';
import { HOUR_MS } from '../span.js';
import { plan } from '../testing/ration-plans.js';
import {
  bestPolicy,
  bySchedule,
  byTable,
  follow,
  LEVELS,
  throughSlot,
  type RationPolicy,
  type RationWorld,
} from './ration-policy.js';
import type { RationAction, RationSlot } from './ration-slots.js';

const HOURS = 4;
const action = (meanA: number, keyDownA: number, worth: number): RationAction => ({
  ...{ powerW: keyDownA, share: worth, meanA, keyDownA, worth },
});
const ACTIONS = [action(0.2, 0.2, 0), action(1, 2, 1), action(2, 3, 1.6)];

/** Four hours of one step each on a battery of so many Ah, a tenth of an ampere always on; nothing leaks, nothing is lost. */
function worldOf(ampereHours: number, more: Partial<RationWorld> = {}): RationWorld {
  const pack = copyOf(chanceLaw(plan(ampereHours, { stepMs: HOUR_MS })).packs[0]);
  pack.leakAnHour = 0;
  return {
    hours: new Float64Array(HOURS).fill(1),
    restA: new Float32Array(HOURS).fill(0.1),
    radioGain: 1,
    sunA: null,
    fedA: null,
    sunGain: 1,
    controllerMaxA: 100,
    pack,
    levelOf: () => 0.1,
    reserveSoc: 0.1,
    ...more,
  };
}
const slotsOf = (worths: readonly number[] = [1, 1, 1, 1]): RationSlot[] =>
  worths.map((worth, index) => ({
    ...{ startMs: index * HOUR_MS, endMs: (index + 1) * HOUR_MS, fromStep: index, toStep: index + 1 },
    ...{ block: 0, actions: ACTIONS, planned: ACTIONS[1], worth },
  }));
const whole: RationSlot = { ...slotsOf()[0], endMs: HOURS * HOUR_MS, toStep: HOURS };

describe('the charge after a slot', () => {
  const after = (world: RationWorld, soc: number, radioA: number, level = 0) =>
    throughSlot(world, whole, soc, radioA, level);

  it('has given what the radio and the rest take: 1.1 A for four hours out of 20 Ah', () => {
    expect(after(worldOf(20), 1, 1)).toBeCloseTo(1 - 4.4 / 20, 6);
    expect(after(worldOf(20), 0.5, 0)).toBeCloseTo(0.5 - 0.4 / 20, 6);
  });

  it('has the help of the sun, as far as the controller lets it through, and of chargers', () => {
    const sunA = new Float32Array(HOURS).fill(1);
    expect(after(worldOf(20, { sunA }), 0.5, 1.4)).toBeCloseTo(0.5 - (4 * 0.5) / 20, 6);
    expect(after(worldOf(20, { sunA, sunGain: 0.5 }), 0.5, 1.4)).toBeCloseTo(0.5 - (4 * 1) / 20, 6);
    expect(after(worldOf(20, { sunA, controllerMaxA: 0.3 }), 0.5, 1.4)).toBeCloseTo(0.5 - (4 * 1.2) / 20, 6);
    const fedA = new Float64Array(HOURS).fill(0.25);
    expect(after(worldOf(20, { fedA }), 0.5, 1.4)).toBeCloseTo(0.5 - (4 * 1.25) / 20, 6);
  });

  it('is none where it begins under its level, or falls under it on the way', () => {
    expect(after(worldOf(20), 0.3, 1, 0.31)).toBe(-1);
    expect(after(worldOf(20), 0.3, 1, 0.09)).toBe(-1);
    expect(after(worldOf(20), 0.3, 1, 0.07)).toBeCloseTo(0.08, 6);
    // The sun comes after it has fallen: that is too late.
    const late = Float32Array.of(0, 0, 5, 5);
    expect(after(worldOf(20, { sunA: late }), 0.3, 1, 0.2)).toBe(-1);
    expect(after(worldOf(20, { sunA: late }), 0.3, 1, 0.18)).toBeGreaterThan(0.3);
  });
});

describe('the best way to work the hours', () => {
  const byCharge =
    (policy: RationPolicy) =>
    (slot: number, soc: number): number =>
      policy[slot][Math.floor(soc * LEVELS + 1e-9)];
  /** The most that any schedule is worth that holds, by trying all 256. */
  function bestSchedule(world: RationWorld, slots: readonly RationSlot[]): number {
    let best = -Infinity;
    for (let way = 0; way < 4 ** HOURS; way++) {
      const schedule = slots.map((_, index) => (Math.floor(way / 4 ** index) % 4) - 1);
      const { held, worth } = follow(world, slots, bySchedule(schedule));
      if (held && worth > best) best = worth;
    }
    return best;
  }

  it('holds, and where hours are worth alike is worth what the best of all schedules is with a hundredth less in the battery', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 12, noNaN: true }), (ampereHours) => {
        const slots = slotsOf();
        const world = worldOf(ampereHours);
        const run = follow(world, slots, byCharge(bestPolicy(world, slots, true)));
        const bound = bestSchedule(world, slots);
        expect(run.held).toBe(bound > -Infinity);
        if (!run.held) return;
        expect(run.worth).toBeLessThanOrEqual(bound + 1e-9);
        const startSoc = world.pack.startSoc - 0.01;
        const less = bestSchedule({ ...world, pack: { ...world.pack, startSoc } }, slots);
        expect(run.worth).toBeGreaterThanOrEqual(less - 1e-6);
      }),
      { numRuns: 40 },
    );
  });

  it('spends where an hour is worth most', () => {
    // 7.2 Ah above the reserve: two hours of 2.1 Ah and two of 1.1 are 6.4.
    const world = worldOf(8);
    const slots = slotsOf([1, 5, 1, 5]);
    expect(follow(world, slots, byCharge(bestPolicy(world, slots, true))).actions).toEqual([1, 2, 1, 2]);
  });

  it('never does less with more charge', () => {
    const policy = bestPolicy(worldOf(5), slotsOf([1, 2, 0.5, 1]), true);
    for (const choices of policy)
      choices.forEach((choice, level) => {
        if (level > 0) expect(choice).toBeGreaterThanOrEqual(choices[level - 1]);
      });
  });

  it('rests where nothing saves the outing, and does the least where it may not rest', () => {
    const world = worldOf(6);
    const [first] = bestPolicy(world, slotsOf(), true);
    const [stays] = bestPolicy(world, slotsOf(), false);
    expect(first[0]).toBe(-1);
    expect(stays[0]).toBe(0);
    // A relay gives up worth, not its hours: with little it listens on.
    const [, , , last] = bestPolicy(world, slotsOf(), false);
    expect(Math.min(...last.slice(LEVELS / 4))).toBeGreaterThanOrEqual(0);
  });

  it('keeps above the level of an action while it is worked', () => {
    const world = worldOf(6, { levelOf: (keyDownA) => (keyDownA > 2 ? 0.9 : 0.1) });
    const [first] = bestPolicy(world, slotsOf([5, 1, 1, 1]), true);
    // Two amperes and a tenth for an hour take 0.35 of it: never to 0.9.
    expect(Math.max(...first)).toBe(1);
  });
});

describe('hours that are followed', () => {
  it('are worth what was worked, and nothing once the charge was under its reserve', () => {
    const world = worldOf(6);
    const run = follow(world, slotsOf([1, 2, 1, 1]), bySchedule([1, 2, 2, 1]));
    // 1.1 + 2.1 Ah of 5.4 above the reserve; then 2.1 more are 5.3, and 1.1 are too much.
    expect(run.held).toBeFalse();
    expect(run.worth).toBeCloseTo(1 + 2 * 1.6 + 1.6, 9);
    expect(run.actions).toEqual([1, 2, 2, 1]);
    expect(run.socs.length).toBe(5);
    expect(run.socs[4]).toBe(run.socs[3]);
    expect(run.socs[1]).toBeCloseTo(1 - 1.1 / 6, 3);
  });

  it('are worked as planned where nobody chooses', () => {
    const run = follow(worldOf(20), slotsOf(), null);
    expect(run.worth).toBeCloseTo(4, 9);
    expect(run.held).toBeTrue();
    expect(run.socs.at(-1)).toBeCloseTo(1 - 4.4 / 20, 6);
  });

  it('are chosen by the table as it is told, in bands of a twentieth, by what is read', () => {
    const policy = [Int16Array.from({ length: LEVELS + 1 }, (_, level) => level)];
    const told = (soc: number, error = 0) => byTable(policy, () => error)(0, soc) / LEVELS;
    expect([0, 0.049, 0.05, 0.52, 1].map((soc) => told(soc))).toEqual([0, 0, 0.05, 0.5, 1]);
    expect(told(0.52, 0.05)).toBe(0.55);
    expect([told(0.98, 0.3), told(0.02, -0.3)]).toEqual([1, 0]);
    expect(byTable(policy)(0, 0.5)).toBe(LEVELS / 2);
  });
});
