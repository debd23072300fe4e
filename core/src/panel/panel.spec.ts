import fc from 'fast-check';
import { currentAt, greatestPower, joined, labelFromWatts, panelCurve, panelShape } from './panel.js';

describe('panel', () => {
  it('from its watts alone gives those watts at its label’s point', () => {
    const label = labelFromWatts(54, 'cheap_mono');
    expect(label.impA).toBe(3);
    const { watts } = greatestPower(panelCurve(panelShape(label), 1000, 25));
    expect(watts).toBeGreaterThan(53.5);
    expect(watts).toBeLessThan(54.5);
  });

  it('has its greatest power where no other voltage gives more', () => {
    const part = fc.double({ min: 0.7, max: 0.95, noNaN: true });
    const light = fc.double({ min: 10, max: 1200, noNaN: true });
    fc.assert(
      fc.property(part, part, light, (volts, amps, lightWM2) => {
        const label = {
          technology: 'good_mono',
          watts: 50,
          vmpV: 22 * volts,
          vocV: 22,
          impA: 3 * amps,
          iscA: 3,
        } as const;
        const curve = panelCurve(panelShape(label), lightWM2, 40);
        const best = greatestPower(curve);
        for (let volt = 0.5; volt < 25; volt += 0.5) {
          expect(volt * currentAt(curve, volt)).toBeLessThanOrEqual(best.watts * (1 + 1e-9) + 1e-12);
        }
        expect(best.volts * currentAt(curve, best.volts)).toBeCloseTo(best.watts, 9);
      }),
    );
  });

  it('adds volts in series and amps in parallel', () => {
    const four = joined(labelFromWatts(50, 'good_mono'), 2, 2);
    expect([four.watts, four.vocV, four.vmpV]).toEqual([200, 43.2, 36]);
    expect(four.iscA).toBeCloseTo(6, 12);
    expect(four.impA).toBeCloseTo(2 * labelFromWatts(50, 'good_mono').impA, 12);
  });
});
