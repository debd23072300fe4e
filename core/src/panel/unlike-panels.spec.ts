import fc from 'fast-check';
import { currentAt, joined, labelFromWatts, panelCurve, panelShape, type PanelLabel } from './panel.js';
import { goTogether, inParallel } from './unlike-panels.js';

const label = (watts: number, volts = 18): PanelLabel => {
  const usual = labelFromWatts(watts, 'good_mono');
  const times = volts / 18;
  return {
    ...usual,
    vmpV: volts,
    vocV: usual.vocV * times,
    impA: usual.impA / times,
    iscA: usual.iscA / times,
  };
};

describe('panels that differ in parallel', () => {
  it('are their sum where they are alike but for their size', () => {
    const both = inParallel([label(40), label(20)]);
    const one = joined(label(60), 1, 1);
    expect(both.watts / one.watts).toBeCloseTo(1, 2);
    expect(both.vmpV).toBeCloseTo(one.vmpV, 0);
    expect(both.iscA).toBeCloseTo(one.iscA, 9);
    expect(both.vocV).toBeCloseTo(one.vocV, 9);
    expect(both.impA * both.vmpV).toBeCloseTo(both.watts, 9);
  });

  it('give less than the sum where their volts differ, and never more, nor less than the larger alone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 200, noNaN: true }),
        fc.double({ min: 10, max: 200, noNaN: true }),
        fc.double({ min: 15, max: 22, noNaN: true }),
        (first, second, volts) => {
          const labels = [label(first), label(second, volts)];
          const { watts, vmpV, vocV, impA, iscA } = inParallel(labels);
          const alone = labels.map((one) => inParallel([one]).watts);
          expect(watts).toBeLessThanOrEqual(alone[0] + alone[1] + 1e-6);
          expect(watts).toBeGreaterThanOrEqual(Math.max(...alone) - 1e-6);
          expect(vmpV).toBeLessThan(vocV);
          expect(impA).toBeLessThan(iscA);
        },
      ),
    );
    const alike = inParallel([label(50), label(50)]).watts;
    const apart = inParallel([label(50), label(50, 21)]).watts;
    expect(alike - apart).toBeGreaterThan(2);
  });

  it('are read at their best point together, to a millionth of its watts, and are of the larger’s kind', () => {
    for (const labels of [
      [label(50), label(50, 21)],
      [label(30, 21), label(100, 17)],
      [{ ...label(30), technology: 'thin_film' as const }, label(100, 19)],
    ]) {
      const curves = labels.map((one) => panelCurve(panelShape(one), 1000, 25));
      let most = 0;
      for (let volts = 10; volts < 26; volts += 0.0005)
        most = Math.max(most, volts * curves.reduce((sum, curve) => sum + currentAt(curve, volts), 0));
      const { watts, technology } = inParallel(labels);
      expect(watts / most).toBeGreaterThan(1 - 1e-6);
      expect(technology).toBe('good_mono');
      expect(inParallel(labels.toReversed()).technology).toBe('good_mono');
    }
  });

  it('do not go together where one works at far fewer volts', () => {
    expect(goTogether([label(40), label(100, 15)])).toBeTrue();
    expect(goTogether([label(40), label(100, 36)])).toBeFalse();
  });
});
