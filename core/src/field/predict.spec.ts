import { chanceLaw } from '../chance/chance-law.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { generator } from '../random/generator.js';
import { darkFieldPlan, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { firstStepFrom } from '../time-grid.js';
import { FieldMarch } from './field-march.js';
import { Particles } from './particles.js';
import { blockAtHand, currentsIn, predict, voltsAt } from './predict.js';

/** One outing with nothing off, at an hour; its battery at a state of charge where that is given. */
function at(hour: number, plan: PlanInput = darkFieldPlan(), soc?: number) {
  const law = chanceLaw(plan);
  const particles = new Particles(1, law, generator(1));
  const { habit, modeFactor, truth, capacity, resistance, bright, tilt, azimuth } = particles;
  const { receive, keyDown, accessories, gains } = particles;
  for (const column of [
    ...[habit, modeFactor, truth, capacity, resistance, bright, tilt, azimuth],
    ...[...receive, ...keyDown, ...accessories, ...Object.values(gains)],
  ])
    column.fill(0);
  const march = new FieldMarch(law, particles, generator(2));
  march.to(firstStepFrom(law.edgesMs, fieldHour(hour)));
  if (soc !== undefined) particles.socs[0][0] = soc;
  return march;
}

describe('the block at hand', () => {
  it('is the one that is worked, or was until now, or is the next', () => {
    // CW from 1 to 5, SSB from 7 to 11, CW from 25 to 30, SSB from 32 to 38
    const blocks: readonly [number, number][] = [
      [0, 0],
      [2, 0],
      [5, 0],
      [5.25, 1],
      [8, 1],
      [20, 2],
      [38, 3],
      [39, 3],
      [40, 3],
    ];
    for (const [hour, block] of blocks)
      expect(blockAtHand(at(hour)))
        .withContext(`${hour} h`)
        .toBe(block);
    expect(blockAtHand(at(3, darkFieldPlan({ blocks: [] })))).toBe(-1);
  });
});

describe('what flows just now, by hand', () => {
  // 0.4 A receiving, 3 A with the key down, a lamp of 0.05 A
  const currents = (hour: number, state: Parameters<typeof currentsIn>[2]) => currentsIn(at(hour), 0, state);

  it('is the lamp and the radio in the state that somebody reads in', () => {
    const listening = currents(2, 'listening');
    expect([listening.loadA, listening.radioA, listening.meanA].map((amps) => amps.toFixed(6))).toEqual([
      '0.450000',
      '0.400000',
      '0.450000',
    ]);
    const down = currents(2, 'keyDown');
    expect([down.loadA, down.radioA].map((amps) => amps.toFixed(6))).toEqual(['3.050000', '3.000000']);
    expect(down.intoA).toBeCloseTo(-3.05, 2);
    // Of the minutes around it: 0.4 A + 0.3 x 0.44 x 2.6 A, and the lamp, by how often this block really transmits
    expect(down.meanA).toBeGreaterThan(0.6);
    expect(down.meanA).toBeLessThan(1.1);
    expect(currents(2, 'work').loadA).toBeCloseTo(down.meanA, 9);
  });

  it('has no radio in it while a battery is charged and nobody works, nor in the free hours of a plan', () => {
    expect(currents(2, 'charging').radioA).toBeCloseTo(0.4, 9);
    expect(currents(6, 'charging').loadA).toBeCloseTo(0.05, 9);
    expect(currents(6, 'work').loadA).toBeCloseTo(0.05, 9);
    // Somebody who reads while listening listens.
    expect(currents(6, 'listening').radioA).toBeCloseTo(0.4, 9);
  });

  it('is nothing once the battery’s cut-off has opened', () => {
    const march = at(2);
    march.particles.isOn[0] = 0;
    for (const state of ['listening', 'keyDown', 'charging', 'work'] as const) {
      const now = currentsIn(march, 0, state);
      expect([now.loadA, now.meanA, now.radioA, now.intoA + 0]).toEqual([0, 0, 0, 0]);
    }
  });
});

describe('what a charger of 5 A brings', () => {
  const feeds = [{ name: 'charger', startMs: fieldHour(0), endMs: fieldHour(40), amps: 5 }];
  const into = (soc: number) => currentsIn(at(6, darkFieldPlan({ feeds }), soc), 0, 'work').intoA;

  it('goes into the battery but for what the loads take, as much as it accepts', () => {
    const { charge } = chanceLaw(darkFieldPlan()).packs[0].from.pack;
    expect(into(0.5)).toBeCloseTo(Math.min(charge!.maxA, 4.95), 2);
    // Half the way down the taper
    const half = (1 + charge!.taperSoc) / 2;
    expect(into(half)).toBeCloseTo(Math.min(4.95, (charge!.maxA + charge!.endA) / 2), 2);
    expect(into(0.9999)).toBeCloseTo(charge!.endA, 1);
    expect(into(1)).toBe(0);
  });
});

describe('what instruments should say', () => {
  const noon = (kind: 'mppt' | 'pwm', soc: number) => {
    const plan = fieldPlan();
    const controller = { ...plan.sun!.controller, kind };
    return at(6, { ...plan, sun: { ...plan.sun!, controller } }, soc);
  };
  const said = (
    march: FieldMarch,
    quantity: Parameters<typeof predict>[2],
    source: 'controller' | 'monitor',
  ) => predict(march, 0, quantity, { source }, 'off').value;

  it('behind a tracker is fewer amps at more volts, 0.95 of whose watts arrive', () => {
    const march = noon('mppt', 0.5);
    const { takenA, intoA } = currentsIn(march, 0, 'work');
    expect(takenA).toBeGreaterThan(0.1);
    expect(takenA).toBeCloseTo(0.05 + intoA, 3);
    const watts = (takenA * march.law.packs[0].from.given.cellsV) / 0.95;
    expect(said(march, 'panelWatts', 'controller')).toBeCloseTo(watts, 9);
    expect(said(march, 'panelAmps', 'controller')).toBeCloseTo(watts / march.law.plan.sun!.panel.vmpV, 9);
  });

  it('behind a plain switch is the same amps', () => {
    const march = noon('pwm', 0.5);
    const { takenA } = currentsIn(march, 0, 'work');
    expect(said(march, 'panelAmps', 'controller')).toBe(takenA);
    expect(said(march, 'panelWatts', 'controller')).toBeCloseTo(
      takenA * march.law.packs[0].from.given.cellsV,
      9,
    );
  });

  it('is what the loads take alone where the battery is full', () => {
    const { takenA, intoA, sunA } = currentsIn(noon('mppt', 1), 0, 'work');
    expect(intoA).toBe(0);
    expect(takenA).toBeCloseTo(0.05, 3);
    expect(sunA).toBeGreaterThan(takenA);
  });

  it('is minus what goes into the battery at a monitor, what the loads take at a meter', () => {
    const march = at(6);
    expect(predict(march, 0, 'amps', { source: 'monitor' }, 'off').value).toBeCloseTo(0.05, 3);
    expect(predict(march, 0, 'amps', { source: 'meter' }, 'listening').value).toBeCloseTo(0.45, 9);
    expect(said(at(6, darkFieldPlan(), 0.37), 'percent', 'monitor')).toBeCloseTo(37, 9);
  });

  it('is fewer volts the more flows, by the pack’s resistance; more while it charges', () => {
    const march = at(2);
    const { pack } = march.law.packs[0].from;
    const now = currentsIn(march, 0, 'listening');
    const idle = { ...now, loadA: 0, meanA: 0, radioA: 0, intoA: 0 };
    const rest = voltsAt(march, 0, idle, 0.8);
    const loaded = voltsAt(march, 0, { ...idle, loadA: 2, meanA: 2, intoA: -2 }, 0.8);
    expect(rest - loaded).toBeCloseTo(2 * (pack.ohmicOhm + pack.polarisationOhm), 9);
    // A moment of key-down falls on the ohmic part alone.
    const moment = voltsAt(march, 0, { ...idle, loadA: 3, meanA: 1, intoA: -3 }, 0.8);
    expect(rest - moment).toBeCloseTo(3 * pack.ohmicOhm + pack.polarisationOhm, 9);
    expect(voltsAt(march, 0, { ...idle, intoA: 2 }, 0.8)).toBeGreaterThan(rest);
  });
});
