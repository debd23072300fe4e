import { firstStepFrom, stepAt, stepBefore, timeGrid, valueAt } from './time-grid.js';

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

describe('an instant among the edges of steps', () => {
  const edgesMs = Float64Array.from([0, 10, 30, 40]);
  const instants = [-5, 0, 5, 10, 11, 30, 31, 40, 99];

  it('falls into one step, ends one, and comes before one', () => {
    const of = (step: (edgesMs: Float64Array, timeMs: number) => number) =>
      instants.map((timeMs) => step(edgesMs, timeMs));
    expect(of(stepAt)).toEqual([0, 0, 0, 1, 1, 2, 2, 2, 2]);
    expect(of(stepBefore)).toEqual([0, 0, 0, 0, 1, 1, 2, 2, 2]);
    expect(of(firstStepFrom)).toEqual([0, 0, 1, 1, 2, 2, 3, 3, 3]);
  });

  it('has what is known at the edges straight within its step, and held beyond the ends', () => {
    const soc = Float64Array.from([1, 0.8, 0.4, 0.5]);
    const at = (timeMs: number) => Number(valueAt(edgesMs, soc, timeMs).toFixed(9));
    expect(instants.map(at)).toEqual([1, 1, 0.9, 0.8, 0.78, 0.4, 0.41, 0.5, 0.5]);
  });
});
