import { inverterCost, radioFrequency, unknownCableRuns } from './plan-checks.js';

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
  it('notes much power beside a long one', () => {
    expect(radioFrequency(100, 4)).toEqual(jasmine.objectContaining({ severity: 'note', has: '4.0 m' }));
    expect(radioFrequency(50, 2)?.sentence).toContain('At 50 W a cable of 2.0 m');
    expect(radioFrequency(50, 2)?.sentence).toContain('ferrites on both its ends');
  });
});

describe('the word on runs that nobody knows', () => {
  it('names them', () => {
    expect(unknownCableRuns(['battery to fan'])?.sentence).toContain('this run is not checked');
    expect(unknownCableRuns(['a to b', 'c to d'])?.sentence).toContain('a to b; c to d');
  });
});
