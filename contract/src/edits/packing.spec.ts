import { packingOf } from '../packing/packing-of.js';
import { shelf, trip } from '../testing/outing.js';
import {
  addBag,
  changeBag,
  putInBag,
  removeBag,
  setModule,
  setOperators,
  setWayIn,
  usualLimit,
} from './packing.js';

describe('packing', () => {
  it('puts a piece in a bag and takes it out again', () => {
    const inIt = putInBag(trip(), 0, 'bag-1');
    expect(packingOf(inIt, shelf).bags[0].pieces.map(({ index }) => index)).toEqual([0]);
    expect(putInBag(inIt, 0, null).loadout).toEqual(trip().loadout);
  });

  it('changes nothing for a line that is gone', () => {
    expect(putInBag(trip(), 99, 'bag-1')).toEqual(trip());
  });

  it('keeps the bag that there was when one more is named', () => {
    const two = addBag(putInBag(trip(), 0, 'bag-1'), 'new');
    const { bags } = packingOf(two, shelf);
    expect(bags.map(({ bag }) => bag.name)).toEqual(['the bag', 'bag 2']);
    expect(bags[0].pieces.length).toBe(1);
  });

  it('empties a bag that is taken away, and no other', () => {
    const two = putInBag(putInBag(addBag(trip(), 'new'), 0, 'new'), 1, 'bag-1');
    const one = removeBag(two, 'new');
    expect(one.loadout[0].bag).toBeUndefined();
    expect(one.loadout[1].bag).toBe('bag-1');
    expect(one.packing!.bags!.map(({ id }) => id)).toEqual(['bag-1']);
    expect(one.packing!.operators).toBe(two.packing!.operators);
    expect(removeBag(setWayIn(two, 'paddle'), 'new').packing!.wayIn).toBe('paddle');
  });

  it('says what is known of a bag, its module, who carries and how', () => {
    const named = changeBag(trip(), 'bag-1', { name: 'day bag', litres: 20 });
    const two = changeBag(addBag(trip(), 'new'), 'new', { litres: 5 });
    expect(two.packing!.bags!.map(({ litres }) => litres)).toEqual([undefined, 5]);
    expect(named.packing!.bags![0]).toEqual(jasmine.objectContaining({ name: 'day bag', litres: 20 }));
    expect(setModule(trip(), 0, 'night').loadout[0].module).toBe('night');
    expect(setOperators(setWayIn(trip(), 'paddle'), 2).packing).toEqual({ wayIn: 'paddle', operators: 2 });
    expect(usualLimit({ ...trip(), carryLimitG: 4000 }).carryLimitG).toBeUndefined();
  });
});
