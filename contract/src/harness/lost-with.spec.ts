import type { Distribution, Cable } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lookUp } from '../resolve/look-up.js';
import { kitShelf, kitTrip, shortLead } from '../testing/kit.js';
import { failures } from '../what-if/failures.js';
import { lostWith } from './lost-with.js';
import { singlePieces } from './single-pieces.js';

const box: Distribution = {
  schema: 'knapsack.gear',
  version: 8,
  id: 'box',
  kind: 'distribution',
  name: 'fuse box',
};
const trunk: Cable = { ...shortLead, id: 'trunk', name: 'trunk', run: 'distribution' };
const shelf = [...kitShelf, box, trunk];
const boxed = (change: Partial<Trip> = {}): Trip =>
  kitTrip({
    loadout: [...kitTrip().loadout, { gear: 'trunk', count: 1 }, { gear: 'box', count: 1 }],
    ...change,
  });

const lostWhen = (trip: Trip, id: string) => {
  const { carried } = lookUp(trip, shelf);
  return [
    ...lostWith(
      trip,
      carried,
      carried.find(({ gear }) => gear.id === id)!,
    ),
  ].sort();
};
const offTheAir = (trip: Trip) =>
  failures(trip, shelf)
    .filter(({ hours }) => hours === 0)
    .map(({ name }) => name)
    .sort();

describe('what fails with a piece', () => {
  it('is all that hangs behind it, and of a cable what it leads to', () => {
    expect(lostWhen(boxed(), 'box')).toEqual(['box', 'curlew', 'relay']);
    expect(lostWhen(boxed(), 'trunk')).toEqual(['box', 'curlew', 'relay']);
    expect(lostWhen(boxed(), 'short-lead')).toEqual(['curlew']);
    expect(lostWhen(boxed(), 'relay')).toEqual(['relay']);
    expect(lostWhen(boxed(), 'rill')).toEqual(['frond', 'rill']);
    expect(lostWhen(kitTrip(), 'shale').length).toBeGreaterThan(4);
  });

  it('is nothing of a cable of which there is another', () => {
    const two = boxed({
      loadout: boxed().loadout.map((item) => (item.gear === 'short-lead' ? { ...item, count: 2 } : item)),
    });
    expect(lostWhen(two, 'short-lead')).toEqual([]);
  });

  it('is the same for Plan’s failures and Wire’s single points', () => {
    for (const trip of [kitTrip(), boxed(), kitTrip({ radioOn: 'terminals' })]) {
      const { carried } = lookUp(trip, shelf);
      const singles = singlePieces(trip, carried).filter(({ gear }) => gear.kind !== 'antenna');
      expect(offTheAir(trip))
        .withContext(trip.radioOn ?? '')
        .toEqual(singles.map(({ gear }) => gear.name).sort());
    }
    expect(offTheAir(boxed())).toContain('fuse box');
    expect(offTheAir(kitTrip({ radioOn: 'terminals' }))).toContain('Rill');
  });

  it('takes what is fed through a box off, where the radio is not', () => {
    // The radio straight on the battery, the relay still behind the box.
    const runs = [{ to: 'curlew', from: 'shale' }];
    const found = failures(boxed({ harness: { runs } }), shelf).find(({ name }) => name === 'fuse box')!;
    expect(found.hours).toBe(found.ofHours);
    expect(found.because).toBe('no relay');
  });
});
