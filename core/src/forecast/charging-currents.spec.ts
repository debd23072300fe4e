import { batteryPackAt } from '../battery/battery-pack.js';
import type { March } from '../march/march-data.js';
import { whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { controllerCurrents, panelCurrents } from './charging-currents.js';

/** A march that was offered so much in each of its steps, the terminals at 13 V in the first. */
const march = (...offeredA: number[]) =>
  ({
    offeredA: Float64Array.from(offeredA),
    terminalV: Float64Array.from(offeredA, (_, step) => (step === 0 ? 13 : 14)),
  }) as unknown as March;

const panel = { ...sunPlan().panel, vmpV: 18, impA: 2.5, iscA: 2.8, watts: 45 };
const planWith = (kind: 'mppt' | 'pwm') =>
  whiteboardPlan({ sun: sunPlan({ panel, controller: { ...sunPlan().controller, kind } }) });

describe('what flows from the sun', () => {
  it('comes through a tracker’s panel cable at the panel’s volts: 2 A at 13 V are 1.44 A at 18 V', () => {
    const { meanA, mostA, feedV, safeForA } = panelCurrents(planWith('mppt'), march(0, 2, 0, 1));
    expect([feedV, safeForA]).toEqual([18, 1.25 * 2.8]);
    // The mean of what is offered while anything is: 1.5 A into the battery
    expect(meanA).toBeCloseTo((1.5 * 13) / 18, 12);
    expect(mostA).toBeCloseTo((2 * 13) / 18, 12);
  });

  it('is the same amperes on both sides of a plain switch, and never more than the panel gives', () => {
    const { meanA, mostA, feedV } = panelCurrents(planWith('pwm'), march(0, 2, 0, 1));
    expect([meanA, mostA, feedV]).toEqual([1.5, 2, 13]);
    expect(panelCurrents(planWith('pwm'), march(4)).mostA).toBe(2.5);
  });

  it('goes from the controller to the battery as it is offered, at the battery’s volts', () => {
    const pack = batteryPackAt(planWith('mppt').packs[0].label, 25);
    const figures = controllerCurrents(planWith('mppt'), [pack], march(0, 2, 0, 1));
    expect([figures.meanA, figures.mostA, figures.feedV]).toEqual([1.5, 2, 13]);
    // 1.25 x 0.95 x 45 W over the 12.9 V or so of a nearly empty battery
    expect(figures.safeForA).toBeGreaterThan(4);
    expect(figures.safeForA).toBeLessThan(4.3);
  });

  it('is nothing by night and without a panel', () => {
    expect(panelCurrents(planWith('mppt'), march(0, 0)).meanA).toBe(0);
    expect(panelCurrents(whiteboardPlan(), march(1))).toEqual({ meanA: 0, mostA: 0, safeForA: 0, feedV: 0 });
    expect(controllerCurrents(whiteboardPlan(), [], march(0, 3))).toEqual({
      meanA: 3,
      mostA: 3,
      safeForA: 3,
      feedV: 13,
    });
  });
});
