import { inverterCost, missingPart, singlePoints, unknownRuns } from './plan-checks.js';

describe('the word on an inverter', () => {
  it('tells what it costs: 6 W for 10 h at 12 V are 5 Ah', () => {
    const breach = inverterCost('mains inverter', 6, 10, 12);
    expect(breach?.severity).toBe('note');
    expect(breach?.sentence).toContain('5.00 Ah in this outing');
    expect(breach?.sentence).toContain('local electrical codes');
  });
});

describe('the rule of single points', () => {
  it('is kept where there are none', () => {
    expect(singlePoints([])).toBeNull();
  });

  it('notes each', () => {
    expect(singlePoints(['Curlew 10', 'short lead'])).toEqual(
      jasmine.objectContaining({ severity: 'note', has: '2 single points' }),
    );
  });
});

describe('the word on runs that nobody knows', () => {
  it('is silent where all are known', () => {
    expect(unknownRuns([])).toBeNull();
  });

  it('names them', () => {
    expect(unknownRuns(['battery to fan'])?.sentence).toContain('this run is not checked');
    expect(unknownRuns(['a to b', 'c to d'])?.sentence).toContain('a to b; c to d');
  });
});

describe('a part that is missing', () => {
  it('stops, with its own sentence', () => {
    expect(missingPart('a battery', 'Put one in.')).toEqual(
      jasmine.objectContaining({ severity: 'stop', sentence: 'Put one in.', has: 'a battery' }),
    );
  });
});
