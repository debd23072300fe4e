import { trip } from '../testing/documents.js';
import { MOST_LEVELS, MOST_VALUES, unboundedProblem } from './bounded.js';
import { readGear, readShelf, readTrip } from './read.js';

const nested = (levels: number): unknown => JSON.parse('['.repeat(levels) + ']'.repeat(levels));

describe('what comes from outside', () => {
  it('is walked where it is as a document is', () => {
    expect(unboundedProblem(trip())).toBeNull();
    expect(unboundedProblem(nested(MOST_LEVELS))).toBeNull();
    for (const value of [null, 1, 'text', undefined]) expect(unboundedProblem(value)).toBeNull();
  });

  it('is refused where it is nested deeper, however deep', () => {
    for (const levels of [MOST_LEVELS + 2, 20_000]) {
      expect(unboundedProblem(nested(levels))?.code).toBe('too-deep');
      const read = readTrip({ ...trip(), note: nested(levels) });
      expect(read.ok ? '' : read.problems[0].code).toBe('too-deep');
    }
  });

  it('is refused where it holds too much, or a field that would change what an object is', () => {
    expect(unboundedProblem(Array.from({ length: MOST_VALUES + 1 }, () => 0))?.code).toBe('too-many');
    const proto = JSON.parse(
      '{"schema":"knapsack.trip","version":5,"place":{"__proto__":{"name":"x"}}}',
    ) as unknown;
    for (const read of [readTrip(proto), readGear(proto), readShelf(proto)]) {
      expect(read.ok ? '' : read.problems[0].sentence).toContain('There is no field');
    }
  });
});
