import { kitShelf, kitTrip } from '../testing/kit.js';
import { leaveBehind } from './left-behind.js';

const without = (...ids: string[]) => leaveBehind(kitTrip(), kitShelf, ids);

describe('what is left at home', () => {
  it('changes nothing where the sum does not count it', () => {
    expect(without()).toEqual(jasmine.objectContaining({ hours: 2, ofHours: 2, endMs: null }));
  });

  it('ends the outing where nobody is on the air without it', () => {
    for (const id of ['curlew', 'shale', 'short-lead', 'wire']) {
      expect(without(id))
        .withContext(id)
        .toEqual(jasmine.objectContaining({ hours: 0, ofHours: 2 }));
    }
  });

  it('is several things at once, a controller taking the panel’s sun with it', () => {
    const left = without('rill', 'relay');
    expect(left.hours).toBe(2);
    expect(left.because).toContain('no sun');
    expect(left.trip!.loadout.map(({ gear }) => gear)).toEqual(['curlew', 'shale', 'short-lead', 'wire']);
  });

  it('is all of it, not one of several', () => {
    const trip = kitTrip({
      loadout: kitTrip().loadout.map((item) => (item.gear === 'shale' ? { ...item, count: 2 } : item)),
    });
    expect(leaveBehind(trip, kitShelf, ['shale']).hours).toBe(0);
  });
});
