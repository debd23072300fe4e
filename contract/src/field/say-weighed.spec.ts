import { sayWeighed, type WhatNow } from './what-now.js';

const of = (readings: number, others: number, ...each: readonly [fits: boolean, weighed: boolean][]) =>
  sayWeighed({
    entries: [
      ...Array.from({ length: readings }, () => ({ kind: 'reading' })),
      ...Array.from({ length: others }, () => ({ kind: 'sky' })),
    ],
    readings: each.map(([fits, weighed]) => ({ fits, weighed })),
  } as unknown as WhatNow);

describe('how many readings are weighed', () => {
  it('is said where there are more than that, other entries not counted', () => {
    expect(of(4, 3, [true, true], [true, true], [true, false])).toBe(
      'Of 4 readings 2 are weighed, spread over the outing: the others would tell little more.',
    );
  });

  it('is not said where all are, or the others do not fit', () => {
    expect(of(2, 5, [true, true], [true, true])).toBe('');
    expect(of(3, 0, [true, true], [true, true], [false, false])).toBe('');
    // One that does not fit but is weighed counts among the weighed, once.
    expect(of(3, 0, [true, true], [false, true], [true, false])).toMatch(/^Of 3 readings 2 are weighed/);
    expect(of(0, 2)).toBe('');
  });
});
