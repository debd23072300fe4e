import { pathOf, plotScale, roundTicks, type Plot } from './scatter-scale';

const PLOT: Plot = { width: 100, height: 60, left: 10, right: 10, top: 5, bottom: 5 };

describe('the scale of a plot', () => {
  it('puts the ends at the edges of the plot, upwards', () => {
    const { x, y } = plotScale(PLOT, [2, 6], [0, 1]);
    expect([x(2), x(4), x(6)]).toEqual([10, 50, 90]);
    expect([y(0), y(1)]).toEqual([55, 5]);
  });

  it('stands a stretch of no length', () => {
    const { x } = plotScale(PLOT, [3, 3], [0, 1]);
    expect(Number.isFinite(x(3))).toBeTrue();
  });

  it('marks round numbers within the stretch', () => {
    expect(roundTicks(0.7, 1, 5)).toEqual([0.7, 0.8, 0.9, 1]);
    expect(roundTicks(2.1, 3.7, 7)).toEqual([2.25, 2.5, 2.75, 3, 3.25, 3.5]);
    expect(roundTicks(60, 140, 5)).toEqual([60, 80, 100, 120, 140]);
    expect(roundTicks(12.2, 26, 6)).toEqual([12.5, 15, 17.5, 20, 22.5, 25]);
  });

  it('joins points', () => {
    expect(
      pathOf([
        { x: 1, y: 2 },
        { x: 3.04, y: 4 },
      ]),
    ).toBe('M1.0 2.0L3.0 4.0');
  });
});
