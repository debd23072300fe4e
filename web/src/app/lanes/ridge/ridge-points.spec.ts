import { ridgePoints, splitAt } from './ridge-points';

describe('the points of the ridge', () => {
  const edgesMs = Float64Array.from({ length: 8641 }, (_, edge) => edge * 300);
  const values = edgesMs.map((_, edge) => (edge === 4321 ? 0 : 1 - edge / 10_000));

  it('are thinned without losing a dip, in order', () => {
    const points = ridgePoints(edgesMs, values, { startMs: 0, endMs: 8640 * 300 }, 800);
    expect(points.length).toBeLessThanOrEqual(4 * 801);
    expect(points.some(({ x, y }) => x === 4321 * 300 && y === 0)).toBeTrue();
    expect(points.every(({ x }, at) => at === 0 || x > points[at - 1].x)).toBeTrue();
    expect([points[0].x, points.at(-1)!.x]).toEqual([0, 8640 * 300]);
  });

  it('are all of those in a window, and one beyond each of its ends', () => {
    const points = ridgePoints(edgesMs, values, { startMs: 450, endMs: 1000 }, 800);
    expect(points.map(({ x }) => x)).toEqual([300, 600, 900, 1200]);
  });

  it('are cut where the plan ends, at the height that it has there', () => {
    const points = [0, 10, 20].map((x) => ({ x, y: 1 - x / 20 }));
    expect(splitAt(points, 15)).toEqual([
      [points[0], points[1], { x: 15, y: 0.25 }],
      [{ x: 15, y: 0.25 }, points[2]],
    ]);
    expect(splitAt(points, Infinity)).toEqual([points, []]);
    expect(splitAt(points, -1)).toEqual([[], points]);
  });
});
