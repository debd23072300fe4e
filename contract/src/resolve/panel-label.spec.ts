import type { Gear } from '../documents/gear.js';
import { guessedOf, panelLabel, panelProblem } from './panel-label.js';

type Panel = Extract<Gear, { kind: 'panel' }>;
const figure = (value: number) => ({ value, source: 'datasheet' }) as const;
const panel = (change: Partial<Panel> = {}): Panel =>
  ({
    ...{ schema: 'knapsack.gear', version: 8, id: 'p', kind: 'panel', name: 'p' },
    ...{ watts: figure(36), technology: 'good_mono' },
    ...change,
  }) as Panel;

describe('a panel’s label', () => {
  it('gives the current of its best point from its watts: 36 W at 18 V are 2 A, and 1.08 times that shorted', () => {
    const label = panelLabel(panel({ vmpV: figure(18) }));
    expect(label.impA).toBeCloseTo(2, 9);
    expect(label.iscA).toBeCloseTo(2.16, 9);
  });

  it('names what it does not say', () => {
    expect(guessedOf(panel())).toEqual(['Vmp', 'Voc', 'Isc']);
    expect(guessedOf(panel({ vmpV: figure(18), iscA: figure(2.2) }))).toEqual(['Voc']);
    expect(guessedOf(panel({ vmpV: figure(18), vocV: figure(22), iscA: figure(2.2) }))).toEqual([]);
  });

  it('cannot have its best point at its open or short circuit', () => {
    expect(panelProblem(panel({ vmpV: figure(18), vocV: figure(22), iscA: figure(2.2) }))).toBeNull();
    expect(panelProblem(panel({ vmpV: figure(22), vocV: figure(18) }))).toMatch(/Vmp must be below its Voc/);
    expect(panelProblem(panel({ vmpV: figure(18), iscA: figure(2) }))).toMatch(/Imp must be below its Isc/);
  });

  it('has no problem while a figure is still being typed', () => {
    expect(panelProblem(panel({ vmpV: figure(22), vocV: figure(18), iscA: figure(NaN) }))).toBeNull();
  });
});
