import { controllerOutput, passesAtMost, type Controller } from './controller.js';
import {
  cellTemperature,
  coldOpenCircuitVolts,
  currentAt,
  greatestPower,
  labelFromWatts,
  MOUNTS,
  panelCurve,
  panelShape,
  TECHNOLOGIES,
  type PanelLabel,
} from './panel.js';

/** 18 V and 3 A at its best, 21.6 V open, 3.24 A shorted. */
let label: PanelLabel;
let shape: ReturnType<typeof panelShape>;
let full: ReturnType<typeof panelCurve>;
beforeAll(() => {
  label = labelFromWatts(54, 'good_mono');
  shape = panelShape(label);
  full = panelCurve(shape, 1000, 25);
});
const { perKelvin, lowLight } = TECHNOLOGIES.good_mono;

describe('a panel’s curve by hand', () => {
  it('goes through the three points of its label', () => {
    const curve = panelCurve(shape, 1000, 25);
    expect(currentAt(curve, 0)).toBeCloseTo(3.24, 9);
    expect(currentAt(curve, 18)).toBeCloseTo(3, 5);
    // C1 is not exactly exp(−1 / C2): no current a hair off the label's 21.6 V.
    expect(curve.vocV).toBeCloseTo(21.6, 1);
    expect(currentAt(curve, curve.vocV)).toBeCloseTo(0, 9);
    // C2 = (18 / 21.6 − 1) / ln(1 − 3 / 3.24).
    const c2 = (18 / 21.6 - 1) / Math.log(1 - 3 / 3.24);
    expect(shape.c2V).toBeCloseTo(c2 * 21.6, 9);
    expect(shape.c1).toBeCloseTo((0.24 / 3.24) * Math.exp(-18 / (c2 * 21.6)), 12);
  });

  it('is scaled by light, heat and what the panel gives of its label', () => {
    const curve = panelCurve(shape, 500, 45, 0.9);
    expect(curve.iscA).toBeCloseTo(0.9 * 3.24 * 0.5 * 1.01, 9);
    const scale = (1 + 20 * perKelvin) * (1 + lowLight * Math.log(0.5));
    expect(curve.voltScale).toBeCloseTo(scale, 9);
    expect(curve.vocV).toBeCloseTo(shape.zeroV * scale, 9);
    const best = greatestPower(curve);
    expect(best.volts).toBeCloseTo(shape.bestV * scale, 9);
    expect(best.watts).toBeCloseTo(shape.bestW * (curve.iscA / 3.24) * scale, 9);
    expect(best.volts * currentAt(curve, best.volts)).toBeCloseTo(best.watts, 9);
  });

  it('is nothing in the dark, in light too faint for it, or in a heat that no panel stands', () => {
    expect(panelCurve(shape, -5, 25)).toEqual(jasmine.objectContaining({ iscA: 0, voltScale: 0 }));
    expect(currentAt(panelCurve(shape, 0, 25), 0)).toBe(0);
    // 1 + 0.06 ln(1e-8) is less than nothing.
    expect(panelCurve(panelShape(labelFromWatts(54, 'cheap_mono')), 1e-5, 25).voltScale).toBe(0);
    expect(panelCurve(shape, 1000, 1000).voltScale).toBe(0);
    expect(panelCurve(shape, 1000, -3000).iscA).toBe(0);
    expect(currentAt(panelCurve(shape, 1000, 25), 30)).toBe(0);
  });

  it('has cells as warm as light and wind make them', () => {
    const { u0, u1 } = MOUNTS.propped;
    expect(cellTemperature('propped', 15, 800, 2)).toBeCloseTo(15 + 800 / (u0 + 2 * u1), 9);
    expect(cellTemperature('propped', 15, 800, 4)).toBeLessThan(cellTemperature('propped', 15, 800, 2));
    expect(cellTemperature('propped', 15, 0, 2)).toBe(15);
  });

  it('stands higher in the cold, by its technology or by its own coefficient', () => {
    expect(coldOpenCircuitVolts(label, -15)).toBeCloseTo(21.6 * (1 - 40 * perKelvin), 9);
    expect(coldOpenCircuitVolts(label, -15, -0.004)).toBeCloseTo(21.6 * 1.16, 9);
    expect(coldOpenCircuitVolts(label, 25)).toBe(21.6);
  });
});

const controller = (kind: Controller['kind'], change: Partial<Controller> = {}): Controller => ({
  kind,
  maxA: 10,
  wakeShare: 0.01,
  panelCableOhm: 0,
  ...change,
});
const output = (of: Controller, batteryV: number, curve = full) => controllerOutput(of, curve, batteryV);

describe('a controller by hand', () => {
  let watts: number;
  let volts: number;
  beforeAll(() => {
    ({ watts, volts } = greatestPower(full));
  });

  it('that tracks passes 95 % of the best power on, over the battery’s volts', () => {
    expect(output(controller('mppt'), 13)).toEqual({ batteryA: (0.95 * watts) / 13, state: 'tracking' });
  });

  it('that tracks downward holds the panel a volt over the battery where its best point is lower, until there is none left', () => {
    const held = output(controller('mppt'), volts);
    expect(held.state).toBe('held');
    expect(held.batteryA).toBeCloseTo((0.95 * currentAt(full, volts + 1) * (volts + 1)) / volts, 9);
    expect(output(controller('mppt'), volts - 1.001).state).toBe('tracking');
    expect(output(controller('mppt'), full.vocV - 1)).toEqual({ batteryA: 0, state: 'panel_volts_too_low' });
    expect(output(controller('mppt'), full.vocV - 1.01).state).toBe('held');
  });

  it('that tracks upward does so under the battery’s volts, passes on above them, and needs 5 V', () => {
    expect(output(controller('boost'), 24)).toEqual({ batteryA: (0.95 * watts) / 24, state: 'tracking' });
    expect(output(controller('boost'), 13)).toEqual({
      batteryA: currentAt(full, 13.3),
      state: 'pass_through',
    });
    const small = panelCurve(panelShape({ ...label, vmpV: 4.5, vocV: 5.4 }), 1000, 25);
    expect(output(controller('boost'), 13, small)).toEqual({ batteryA: 0, state: 'panel_volts_too_low' });
    expect(output(controller('builtIn'), 13, small).state).toBe('panel_volts_too_low');
    const large = panelCurve(panelShape({ ...label, vmpV: 6, vocV: 7.2 }), 1000, 25);
    expect(output(controller('boost'), 13, large).state).toBe('tracking');
  });

  it('of a USB socket passes 85 % on, 10 W at the most or what it says, seven tenths of which reach the cells', () => {
    const small = panelCurve(panelShape({ ...label, watts: 9, impA: 0.5, iscA: 0.55 }), 1000, 25);
    expect(output(controller('usb'), 3.7, small)).toEqual({
      batteryA: (0.7 * (0.85 * greatestPower(small).watts)) / 3.7,
      state: 'tracking',
    });
    expect(output(controller('usb'), 3.7).batteryA).toBeCloseTo((0.7 * 10) / 3.7, 12);
    expect(output(controller('usb', { socketW: 5 }), 3.7).batteryA).toBeCloseTo((0.7 * 5) / 3.7, 12);
    const low = panelCurve(panelShape({ ...label, vmpV: 4.5, vocV: 5.4 }), 1000, 25);
    expect(output(controller('usb'), 3.7, low)).toEqual({ batteryA: 0, state: 'panel_volts_too_low' });
  });

  it('PWM drags the panel to the battery’s volts, a switch and the cables above', () => {
    expect(output(controller('pwm'), 13)).toEqual({ batteryA: currentAt(full, 13.3), state: 'direct' });
    const { batteryA } = output(controller('pwm', { panelCableOhm: 0.3, batteryCableOhm: 0.2 }), 17);
    expect(batteryA).toBeCloseTo(currentAt(full, 17.3 + batteryA * 0.5), 6);
    expect(output(controller('pwm'), full.vocV - 0.3)).toEqual({ batteryA: 0, state: 'panel_volts_too_low' });
    const boost = output(controller('boost', { panelCableOhm: 0.3, batteryCableOhm: 0.2 }), 17);
    expect(boost.batteryA).toBeCloseTo(currentAt(full, 17.3 + boost.batteryA * 0.5), 6);
  });

  it('limits its current where it is made to', () => {
    expect(output(controller('mppt', { maxA: 2 }), 13)).toEqual({ batteryA: 2, state: 'current_limit' });
    expect(output(controller('pwm', { maxA: 2 }), 13).state).toBe('direct');
    expect(output(controller('pwm', { maxA: 2, limitsCurrent: true }), 13)).toEqual({
      batteryA: 2,
      state: 'current_limit',
    });
    expect([passesAtMost(controller('pwm')), passesAtMost(controller('boost'))]).toEqual([Infinity, 10]);
  });

  it('sleeps under its share of the label’s watts', () => {
    const faint = panelCurve(shape, 20, 10);
    const share = greatestPower(faint).watts / 54;
    expect(output(controller('mppt', { wakeShare: share * 1.01 }), 13, faint).state).toBe('asleep');
    expect(output(controller('mppt', { wakeShare: share * 0.99 }), 13, faint).state).not.toBe('asleep');
    expect(output(controller('mppt', { wakeShare: 0 }), 13, panelCurve(shape, 0, 10))).toEqual({
      batteryA: 0,
      state: 'asleep',
    });
  });

  it('behind a cable that would take half of the volts gets the most that such a cable lets through', () => {
    const ohm = volts / (watts / volts); // all of its volts at its best current
    expect(output(controller('mppt', { panelCableOhm: ohm }), 13).batteryA).toBeCloseTo(
      (0.95 * volts ** 2) / (4 * ohm) / 13,
      9,
    );
  });
});
