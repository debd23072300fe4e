import { shelf, trip } from '@knapsack/contract/testing/outing';
import { tripLine } from '../work/trip-line-work';

describe('the line of a trip in the list', () => {
  it('has its ridge at even distances, how it ends, and the reserve', () => {
    const line = tripLine(trip(), shelf);
    expect(line.mark).toBe('fine');
    expect(line.words).toMatch(/^lasts in (all of 400|\d+ of 100)$/);
    expect(line.soc.length).toBe(61);
    expect(line.soc[0]).toBe(1);
    expect(line.soc.every((soc, at) => at === 0 || soc <= line.soc[at - 1])).toBeTrue();
    expect(line.reserveSoc).toBe(0.1);
  });

  it('says what is missing where it cannot be calculated', () => {
    const line = tripLine(trip({ loadout: [] }), shelf);
    expect(line).toEqual(jasmine.objectContaining({ mark: 'unknown', soc: [] }));
    expect(line.words).toContain('Add a radio');
  });
});
