import { HOUR_MS } from '@knapsack/core';
import { fitted, NARROWEST_MS, panned, zoomed } from './time-window';

const outing = { startMs: 0, endMs: 48 * HOUR_MS };

describe('the window of the lanes', () => {
  it('draws near around an instant, which stays where it was', () => {
    const window = zoomed(null, outing, 4, 12 * HOUR_MS)!;
    expect(window.endMs - window.startMs).toBe(12 * HOUR_MS);
    // a quarter of the way before, a quarter after
    expect((12 * HOUR_MS - window.startMs) / (12 * HOUR_MS)).toBe(0.25);
    const nearer = zoomed(window, outing, 2, 12 * HOUR_MS)!;
    expect((12 * HOUR_MS - nearer.startMs) / (6 * HOUR_MS)).toBe(0.25);
  });

  it('never leaves the outing, nor gets narrower than can be read', () => {
    expect(zoomed(null, outing, 1e9, 48 * HOUR_MS)).toEqual({
      startMs: 48 * HOUR_MS - NARROWEST_MS,
      endMs: 48 * HOUR_MS,
    });
    const window = { startMs: 2 * HOUR_MS, endMs: 5 * HOUR_MS };
    expect(panned(window, outing, -1)).toEqual({ startMs: 0, endMs: 3 * HOUR_MS });
    expect(panned(window, outing, 100)).toEqual({ startMs: 45 * HOUR_MS, endMs: 48 * HOUR_MS });
    expect(fitted(window, { startMs: 4 * HOUR_MS, endMs: 30 * HOUR_MS })).toEqual({
      startMs: 4 * HOUR_MS,
      endMs: 7 * HOUR_MS,
    });
  });

  it('is the whole outing again when it draws far enough away, and there is nothing to pan then', () => {
    expect(zoomed({ startMs: 2 * HOUR_MS, endMs: 5 * HOUR_MS }, outing, 1 / 16, 3 * HOUR_MS)).toBeNull();
    expect(panned(null, outing, 1)).toBeNull();
    expect(fitted({ startMs: 0, endMs: HOUR_MS }, { startMs: 0, endMs: HOUR_MS / 2 })).toBeNull();
  });
});
