import { tripProblems } from '@knapsack/contract';
import { curlew, shale, shelf, trip } from '@knapsack/contract/testing/outing';
import { TEMPLATES, tripFrom } from './templates';
import { tripLine } from '../work/trip-line-work';

describe('the line of a trip in the list', () => {
  it('has its ridge at even distances, how it ends, and the reserve', () => {
    const line = tripLine(trip(), shelf);
    expect(line.mark).toBe('fine');
    expect(line.words).toMatch(/^lasts in (all of 400|\d+ of 100)$/);
    expect(line.soc.length).toBe(61);
    expect(line.soc[0]).toBe(1);
    expect(line.soc.every((soc, at) => at === 0 || soc <= line.soc[at - 1])).toBeTrue();
    expect(line.floorSoc).toBe(0.1);
  });

  it('says what is missing where it cannot be reckoned', () => {
    const line = tripLine(trip({ loadout: [] }), shelf);
    expect(line).toEqual(jasmine.objectContaining({ mark: 'unknown', soc: [] }));
    expect(line.words).toContain('Add a radio');
  });
});

describe('a trip of a kind of outing', () => {
  const wednesday = Date.UTC(2027, 8, 1, 9);

  for (const template of TEMPLATES) {
    it(`is a whole trip with a bag from the shelf: ${template.name}`, () => {
      const made = tripFrom(template, shelf, wednesday);
      expect(tripProblems(made)).toEqual([]);
      expect(made.loadout.map(({ gear }) => gear)).toEqual(['curlew', 'shale']);
      expect(new Date(made.start).getDay()).toBe(6);
      expect(made.blocks.every(({ powerW }) => powerW <= 10)).toBeTrue();
    });
  }

  it('takes the lightest radio that is strong enough, and the lightest battery that lasts', () => {
    const heavy = {
      ...curlew,
      id: 'heavy',
      weightG: { value: 3000, source: 'measured' },
      transmit: [{ rfW: 100, amps: 18, source: 'measured' }],
    } as const;
    const large = {
      ...shale,
      id: 'large',
      ratedAh: { value: 60, source: 'datasheet' },
      weightG: { value: 7000, source: 'measured' },
    } as const;
    const light = { ...shale, weightG: { value: 1000, source: 'measured' } } as const;
    const mine = [heavy, curlew, large, light];
    const bagOf = (name: string) =>
      tripFrom(
        TEMPLATES.find((template) => template.name === name)!,
        mine,
        wednesday,
      ).loadout.map(({ gear }) => gear);
    expect(bagOf('Afternoon on a hill')).toEqual(['curlew', 'shale']);
    expect(bagOf('Contest from a van')).toEqual(['heavy', 'large']);
  });

  it('is there without a shelf, with an empty bag', () => {
    expect(tripFrom(TEMPLATES[0], [], wednesday).loadout).toEqual([]);
  });
});
