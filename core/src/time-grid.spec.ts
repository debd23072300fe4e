import { timeGrid } from './time-grid.js';

describe('time grid', () => {
  it('walks in whole steps and ends at the end', () => {
    expect([...timeGrid({ startMs: 0, endMs: 25 }, 10, [])]).toEqual([0, 10, 20, 25]);
  });

  it('splits steps at the edges of spans, each edge once, none outside', () => {
    const spans = [
      { startMs: 3, endMs: 10 },
      { startMs: 10, endMs: 14 },
      { startMs: -5, endMs: 99 },
    ];
    expect([...timeGrid({ startMs: 0, endMs: 20 }, 10, spans)]).toEqual([0, 3, 10, 14, 20]);
  });
});
