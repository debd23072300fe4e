import { tripProblems } from '../documents/trip-rules.js';
import { assessTrip } from '../resolve/assess-trip.js';
import { curlew, shale, shelf, trip } from '../testing/outing.js';
import { typicalGear } from '../typical/typical-gear.js';
import { TEMPLATES, tripFrom } from './templates.js';

const empty = trip({ blocks: [], loadout: [] });

describe('a trip of a kind of outing', () => {
  const wednesday = Date.UTC(2027, 8, 1, 9);

  for (const template of TEMPLATES) {
    it(`is a whole trip with a bag from the shelf: ${template.name}`, () => {
      const { trip: made } = tripFrom(template, shelf, empty, wednesday);
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
        empty,
        wednesday,
      ).trip.loadout.map(({ gear }) => gear);
    expect(bagOf('Afternoon on a hill')).toEqual(['curlew', 'shale']);
    expect(bagOf('Contest from a van')).toEqual(['heavy', 'large']);
  });

  it('takes a battery that reaches the target chance, where there is one, not one that lasts in half of the outings', () => {
    const sizes = [2, 3, 4, 5, 6, 8, 10, 20].map((ah) => ({
      ...shale,
      id: `shale-${ah}`,
      ratedAh: { value: ah, source: 'datasheet' as const },
      weightG: { value: ah * 120, source: 'measured' as const },
    }));
    const mine = [curlew, ...sizes];
    for (const template of TEMPLATES.slice(0, 2)) {
      const { trip: made } = tripFrom(template, mine, empty, wednesday);
      expect(assessTrip(made, mine).found!.chance.chance)
        .withContext(template.name)
        .toBeGreaterThanOrEqual(0.9);
    }
  });

  it('takes a typical radio of the stated power, to buy, if the shelf has none', () => {
    const contest = TEMPLATES.find(({ powerW }) => powerW === 100)!;
    const made = tripFrom(contest, [curlew, shale], empty, wednesday, typicalGear('EUR'));
    expect(made.trip.blocks.every(({ powerW }) => powerW === 100)).toBeTrue();
    expect(made.trip.loadout[0].gear).toBe('typical-radio-100w');
    expect(made.typical.map(({ id, wished }) => [id, wished])).toEqual([['typical-radio-100w', true]]);
  });

  it('is there without a shelf, with an empty bag', () => {
    expect(tripFrom(TEMPLATES[0], [], empty, wednesday).trip.loadout).toEqual([]);
  });
});
