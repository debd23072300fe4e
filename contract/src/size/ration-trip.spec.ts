import { localHour, type RationHour } from '@knapsack/core';
import { trip } from '../testing/documents.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { rationOf, USUAL_RATION_OPTIONS, withRation, worthOf } from './ration-trip.js';
import { sayRationOdds } from './ration-words.js';

/** A night of calling on a battery that is too small for all of it, in UTC. */
const night = (change: object = {}) =>
  kitTrip({
    place: { name: 'hut', timeZone: 'UTC' },
    start: '2027-09-04T19:00:00Z',
    end: '2027-09-05T05:00:00Z',
    startSoc: 0.45,
    blocks: [
      {
        ...trip().blocks[0],
        start: '2027-09-04T19:00:00Z',
        end: '2027-09-05T05:00:00Z',
        share: 0.5,
      },
    ],
    loadout: ['curlew', 'shale', 'short-lead'].map((gear) => ({ gear, count: 1 })),
    ...change,
  });

const rationed = (of = night(), options: object = {}) => {
  const found = rationOf(of, kitShelf, { ...USUAL_RATION_OPTIONS, ...options });
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
};

/** Mean of power times duty cycle over hours of the clock, W. */
const meanW = (hours: readonly RationHour[], counts: (hour: number) => boolean) => {
  const chosen = hours.filter(({ startMs }) => counts(localHour(startMs, 'UTC')));
  return (
    chosen.reduce((sum, { proposed }) => sum + (proposed?.powerW ?? 0) * (proposed?.share ?? 0), 0) /
    chosen.length
  );
};

describe('the ration of a trip', () => {
  it('puts the power into hours that count on both sides of midnight', () => {
    const { hours } = rationed(night(), { hours: [{ fromHour: 22, toHour: 2, worth: 8 }] });
    const counts = (hour: number) => hour >= 22 || hour < 2;
    expect(meanW(hours, (hour) => hour >= 22)).toBeGreaterThan(meanW(hours, (hour) => !counts(hour)));
    expect(meanW(hours, (hour) => hour < 2)).toBeGreaterThan(meanW(hours, (hour) => !counts(hour)));
  });

  it('is one setting where nobody is there, and says both chances where somebody is', () => {
    const single = rationed(night({ unattended: true }));
    expect(new Set(single.hours.map(({ proposed }) => JSON.stringify(proposed))).size).toBe(1);
    expect(sayRationOdds(single, true)[0]).toMatch(
      /^One setting for the whole outing, since nobody is there/,
    );
    const read = rationed();
    const [following, blind] = sayRationOdds(read, false);
    expect(following).toMatch(/^Read the state of charge each hour and follow the table/);
    expect(blind).toMatch(/^Following the schedule without checking the battery: \d+ %\. The plan as it is/);
  });

  it('says where no setting helps', () => {
    const empty = rationed(night({ unattended: true, startSoc: 0.101 }));
    expect(empty.binds).toBe('nothing');
    expect(sayRationOdds(empty, true)[0]).toContain('No single setting helps');
  });

  it('never goes over the planned power and duty cycle when it is put on', () => {
    const put = withRation(night(), rationed());
    expect(put.blocks.length).toBeGreaterThan(1);
    for (const { powerW, share } of put.blocks) {
      expect(powerW).toBeLessThanOrEqual(10);
      expect(share).toBeLessThanOrEqual(0.5);
    }
  });
});

describe('what an hour counts', () => {
  const worth = (fromHour: number, toHour: number) => {
    const { worthAt } = worthOf({ ...USUAL_RATION_OPTIONS, hours: [{ fromHour, toHour, worth: 3 }] }, 'UTC');
    return (hour: number) => worthAt(hour * 3_600_000);
  };

  it('is more from an hour on until before another, over midnight too', () => {
    const day = worth(9, 12);
    expect([8, 9, 11, 12].map(day)).toEqual([1, 3, 3, 1]);
    const night = worth(22, 3);
    expect([21, 22, 23, 24, 26, 27].map(night)).toEqual([1, 3, 3, 3, 3, 1]);
  });
});
