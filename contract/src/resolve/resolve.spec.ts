import { forecast } from '@knapsack/core';
import { cobble, curlew, relay, shale, shelf, trip } from '../testing/documents.js';
import { ASSUMED_LEAD_OHM, resolve } from './resolve.js';

const sentencesOf = (...args: Parameters<typeof resolve>) => {
  const plan = resolve(...args);
  return plan.ok ? [] : plan.problems.map(({ sentence }) => sentence);
};

const planOf = (...args: Parameters<typeof resolve>) => {
  const plan = resolve(...args);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};

describe('resolving a trip', () => {
  it('looks gear up, takes the measured figure, fills defaults in and says what it assumed', () => {
    const plan = planOf(trip(), shelf);
    expect(plan.radio.currents.points.map(({ amps }) => amps)).toEqual([1.9]);
    expect(plan.floorSoc).toBe(0.1);
    expect(plan.leadOhm).toBe(ASSUMED_LEAD_OHM);
    expect(plan.assumed).toEqual(['the lead from battery to radio (25 mΩ)']);
    expect(forecast(plan).verdict.lasts).toBeTrue();
  });

  it('adds parallel packs up and divides their resistance', () => {
    const battery = {
      ...shale,
      resistanceOhm: { value: 0.06, source: 'measured' },
      peakA: { value: 20, source: 'datasheet' },
    } as const;
    const loadout = [
      { gear: 'curlew', count: 1 },
      { gear: 'shale', count: 2 },
    ];
    const { pack } = planOf(trip({ loadout }), [curlew, battery]);
    expect(pack).toEqual(
      jasmine.objectContaining({
        name: '2 × Shale',
        peakA: 40,
        label: jasmine.objectContaining({ ratedAh: 20, resistanceOhm: 0.03 }),
      }),
    );
  });

  it('uses a measured capacity instead of rating x health, never both', () => {
    const battery = {
      ...shale,
      health: { value: 0.8, source: 'assumed' },
      measuredAh: { value: 9, source: 'measured' },
    } as const;
    expect(planOf(trip(), [curlew, battery, relay]).pack.label.health).toBe(0.9);
  });

  it('turns accessories on by their rule, and by the trip’s own rule before', () => {
    const hoursOn = (loadout: ReturnType<typeof trip>['loadout']) =>
      planOf(trip({ loadout }), shelf).steady[0].spans.map(
        ({ startMs, endMs }) => (endMs - startMs) / 3_600_000,
      );
    const [radio, battery] = trip().loadout;
    expect(hoursOn(trip().loadout)).toEqual([6]);
    expect(hoursOn([radio, battery, { gear: 'relay', count: 1, rule: { when: 'operating' } }])).toEqual([2]);
    expect(
      hoursOn([radio, battery, { gear: 'relay', count: 1, rule: { when: 'operating', modes: ['FT8'] } }]),
    ).toEqual([]);
  });

  it('prefers the shelf to what travels with the trip', () => {
    const old = { ...shale, ratedAh: { value: 5, source: 'datasheet' } } as const;
    expect(planOf(trip({ gear: [old] }), shelf).pack.label.ratedAh).toBe(10);
    expect(planOf(trip({ gear: [old, curlew, relay] }), []).pack.label.ratedAh).toBe(5);
  });

  it('says what is missing in the bag', () => {
    const [radio, battery] = trip().loadout;
    expect(sentencesOf(trip({ loadout: [battery] }), shelf)[0]).toContain('Put a radio in the bag');
    expect(sentencesOf(trip({ loadout: [radio] }), shelf)[0]).toContain('Put a battery in the bag');
    expect(sentencesOf(trip(), [curlew, shale])[0]).toContain('“relay”, which is neither on the shelf');
  });

  it('does not mix kinds of batteries', () => {
    const loadout = [...trip().loadout, { gear: cobble.id, count: 1 }];
    expect(sentencesOf(trip({ loadout }), shelf)[0]).toContain('Take one kind of battery');
  });
});
