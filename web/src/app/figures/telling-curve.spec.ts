import { curlew, shale } from '@knapsack/contract/testing/outing';
import { tellingCurve } from './telling-curve';

const common = { schema: 'knapsack.gear', version: 8, id: 'x', name: 'x' } as const;

describe('the telling curve', () => {
  it('of a radio goes through its figures', () => {
    const curve = tellingCurve(curlew)!;
    expect(curve.marks).toEqual([
      { x: 0.2, y: 0.9 },
      { x: 0.5, y: 1.4 },
      { x: 1, y: 1.9 },
    ]);
    expect(curve.sheet).toEqual([]);
    const sheet = { rfW: 10, amps: 2.3, source: 'datasheet' } as const;
    const both = tellingCurve({ ...curlew, transmit: [...curlew.transmit, sheet] })!;
    expect(both.sheet).toEqual([{ x: 1, y: 2.3 }]);
    expect(both.words).toContain('where the data sheet has 2.30 A at 10 W');
    expect(curve.points.at(-1)!.y).toBeCloseTo(1.9, 12);
    expect([curve.to, curve.top, curve.guessed]).toEqual(['10 W', '1.90 A', false]);
  });

  it('of a battery falls in the cold, of a panel with the light', () => {
    const cold = tellingCurve(shale)!;
    expect(cold.points[0].y).toBeCloseTo(6, 9);
    expect(cold.points.at(-1)!.y).toBe(10);
    const watts = { value: 50, source: 'datasheet' } as const;
    const light = tellingCurve({ ...common, kind: 'panel', technology: 'good_mono', watts })!;
    expect(light.points[0].y).toBe(0);
    expect(light.points.at(-1)!.y).toBeLessThan(50 * 0.9);
    expect(light.guessed).toBeTrue();
  });

  it('is none for what is carried only', () => {
    expect(tellingCurve({ ...common, kind: 'other' })).toBeNull();
  });
});
