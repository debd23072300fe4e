import fc from 'fast-check';
import { controllerOutput, type Controller, type ControllerKind } from './controller.js';
import { greatestPower, labelFromWatts, panelCurve, panelShape } from './panel.js';

const curve = (light: number, watts = 50) =>
  panelCurve(panelShape(labelFromWatts(watts, 'good_mono')), light, 40);
const controller = (kind: ControllerKind, change: Partial<Controller> = {}): Controller => ({
  kind,
  maxA: 100,
  wakeShare: 0.01,
  panelCableOhm: 0,
  ...change,
});
const amps = (of: Controller, light: number, volts = 13) =>
  controllerOutput(of, curve(light), volts).batteryA;
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('controllers and their leads', () => {
  it('lose I2 R of the panel’s power in its lead, by hand', () => {
    const { watts, volts } = greatestPower(curve(800));
    const lost = (watts / volts) ** 2 * 0.2;
    expect(amps(controller('mppt', { panelCableOhm: 0.2 }), 800)).toBeCloseTo(
      (0.95 * (watts - lost)) / 13,
      12,
    );
  });

  it('work against the volts at the far end of the battery’s lead', () => {
    const got = amps(controller('mppt', { batteryCableOhm: 0.3 }), 800);
    expect(got * (13 + got * 0.3)).toBeCloseTo(0.95 * greatestPower(curve(800)).watts, 9);
  });

  it('of a power station track at any volts of its cells', () => {
    const { watts } = greatestPower(curve(800));
    expect(amps(controller('builtIn'), 800, 26)).toBeCloseTo((0.95 * watts) / 26, 12);
    expect(amps(controller('mppt'), 800, 26)).toBe(0);
  });

  it('never give more with a longer lead, nor less with more light', () => {
    const kinds = fc.constantFrom<ControllerKind>('mppt', 'boost', 'pwm', 'builtIn');
    fc.assert(
      fc.property(kinds, between(0, 3), between(1, 3), between(20, 1100), (kind, ohm, times, light) => {
        const leads = (by: number) =>
          controller(kind, { panelCableOhm: ohm * by, batteryCableOhm: (ohm * by) / 2 });
        expect(amps(leads(times), light)).toBeLessThanOrEqual(amps(leads(1), light) + 1e-9);
        const brighter = Math.min(1200, light * times);
        expect(amps(leads(1), brighter)).toBeGreaterThanOrEqual(amps(leads(1), light) - 1e-9);
      }),
    );
  });
});
