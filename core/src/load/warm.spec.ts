import { HOUR_MS } from '../span.js';
import { warmSpans } from './warm.js';

const hours = (spans: ReturnType<typeof warmSpans>) =>
  spans.map(({ startMs, endMs }) => [startMs / HOUR_MS, endMs / HOUR_MS]);
const outing = { startMs: 0.5 * HOUR_MS, endMs: 5.25 * HOUR_MS };

describe('the warm hours of an outing', () => {
  it('are those in which the air is as warm, together where they follow one another', () => {
    const airC = (timeMs: number) => [10, 22, 25, 21, 24, 24][Math.floor(timeMs / HOUR_MS)];
    expect(hours(warmSpans(outing, airC, 22))).toEqual([
      [1, 3],
      [4, 5.25],
    ]);
    expect(hours(warmSpans(outing, airC, 10))).toEqual([[0.5, 5.25]]);
    expect(hours(warmSpans(outing, airC, 25.1))).toEqual([]);
  });
});
