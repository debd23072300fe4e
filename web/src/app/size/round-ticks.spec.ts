import { roundTicks } from './round-ticks';

describe('round numbers over a stretch', () => {
  it('lie within it, about as many as are asked for', () => {
    expect(roundTicks(0.7, 1, 5)).toEqual([0.7, 0.8, 0.9, 1]);
    expect(roundTicks(2.1, 3.7, 7)).toEqual([2.25, 2.5, 2.75, 3, 3.25, 3.5]);
    expect(roundTicks(60, 140, 5)).toEqual([60, 80, 100, 120, 140]);
    expect(roundTicks(12.2, 26, 6)).toEqual([12.5, 15, 17.5, 20, 22.5, 25]);
  });

  it('are one at the most where it has no length', () => {
    expect(roundTicks(3, 3, 5)).toEqual([3]);
  });
});
