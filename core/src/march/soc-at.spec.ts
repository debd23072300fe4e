import { socAt, stepBefore } from './soc-at.js';

const edgesMs = Float64Array.from([0, 10, 30, 40]);
const soc = Float64Array.from([1, 0.8, 0.4, 0.5]);

describe('a state of charge between the edges of steps', () => {
  it('lies on the straight line of the step that ends at or first after the instant', () => {
    expect([0, 5, 10, 11, 30, 31, 99].map((timeMs) => stepBefore(edgesMs, timeMs))).toEqual([
      0, 0, 0, 1, 1, 2, 2,
    ]);
    const at = (timeMs: number) => Number(socAt(edgesMs, soc, timeMs).toFixed(9));
    expect([0, 5, 10, 20, 30, 35, 40].map(at)).toEqual([1, 0.9, 0.8, 0.6, 0.4, 0.45, 0.5]);
  });

  it('is that of the ends beyond them', () => {
    expect(socAt(edgesMs, soc, -5)).toBe(1);
    expect(socAt(edgesMs, soc, 99)).toBe(0.5);
  });
});
