import { inverterCost, missingPart, radioFrequency, suspended, unknownCableRuns } from './plan-checks.js';

describe('the word on an inverter', () => {
  it('tells what it costs: 6 W for 10 h at 12 V are 5 Ah', () => {
    const breach = inverterCost('mains inverter', 6, 10, 12);
    expect(breach?.severity).toBe('look');
    expect(breach?.sentence).toContain('mains inverter takes 6 W for itself');
    expect(breach?.has).toBe('6 W');
    for (const words of [
      '5.00 Ah in this outing',
      'can kill',
      'earth faults',
      'never connect two',
      'local codes',
    ]) {
      expect(breach?.sentence).toContain(words);
    }
  });
});

describe('the rule of radio frequency on the cables', () => {
  it('is kept by little power and by short cables', () => {
    expect(radioFrequency(10, 5)).toBeNull();
    expect(radioFrequency(100, 1.5)).toBeNull();
  });

  it('notes much power beside a long one', () => {
    expect(radioFrequency(100, 4)).toEqual(jasmine.objectContaining({ severity: 'note', has: '4.0 m' }));
    expect(radioFrequency(50, 2)?.sentence).toContain('At 50 W a cable of 2.0 m');
    expect(radioFrequency(50, 2)?.sentence).toContain('ferrites on both its ends');
  });
});

describe('rules that are suspended', () => {
  it('say so with the reason, and nothing where all is known', () => {
    expect(suspended(null)).toBeNull();
    expect(suspended('It feeds itself.')?.sentence).toContain('It feeds itself.');
  });
});

describe('the word on runs that nobody knows', () => {
  it('is silent where all are known', () => {
    expect(unknownCableRuns([])).toBeNull();
  });

  it('names them', () => {
    expect(unknownCableRuns(['battery to fan'])?.sentence).toContain('this run is not checked');
    expect(unknownCableRuns(['a to b', 'c to d'])?.sentence).toContain('a to b; c to d');
  });
});

describe('a part that is missing', () => {
  it('stops, with its own sentence', () => {
    expect(missingPart('a battery', 'Put one in.')).toEqual(
      jasmine.objectContaining({ severity: 'stop', sentence: 'Put one in.', has: 'a battery' }),
    );
  });
});
