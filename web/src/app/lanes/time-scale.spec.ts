import { HOUR_MS } from '@knapsack/core';
import { instantAt, markHours, fractionAt } from './time-scale';

describe('the time axis', () => {
  const span = { startMs: 1000, endMs: 3000 };

  it('goes from instants to shares and back, and stays within the outing', () => {
    expect(fractionAt(span, 1500)).toBe(0.25);
    expect(instantAt(span, 0.25)).toBe(1500);
    expect(instantAt(span, -1)).toBe(1000);
    expect(instantAt(span, 7)).toBe(3000);
  });

  it('marks as many hours as can be read, at whole divisions of the day', () => {
    expect(markHours(30 * HOUR_MS, 800)).toBe(2);
    expect(markHours(30 * HOUR_MS, 310)).toBe(6);
    expect(markHours(6 * HOUR_MS, 800)).toBe(0.5);
    expect(markHours(HOUR_MS / 4, 800)).toBe(0.25);
    expect(markHours(30 * 24 * HOUR_MS, 800)).toBe(48);
  });
});
