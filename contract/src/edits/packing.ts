import type { Bag, ModuleName, Packing, WayIn } from '../documents/packing.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import { bagsOf } from '../packing/packing-of.js';

const withItem = (trip: Trip, index: number, change: (item: LoadoutItem) => LoadoutItem): Trip => {
  const item = trip.loadout[index];
  return item ? { ...trip, loadout: trip.loadout.with(index, change(item)) } : trip;
};

/** Puts a piece in a bag, or in none. */
export const putInBag = (trip: Trip, index: number, bag: string | null): Trip =>
  withItem(trip, index, ({ bag: _before, ...item }) => (bag === null ? item : { ...item, bag }));

export const setModule = (trip: Trip, index: number, module: ModuleName): Trip =>
  withItem(trip, index, (item) => ({ ...item, module }));

const withPacking = (trip: Trip, packing: Packing): Trip => ({ ...trip, packing });

export const setWayIn = (trip: Trip, wayIn: WayIn): Trip => withPacking(trip, { ...trip.packing, wayIn });

/** So many carry; where nobody has named bags, each of them has one. */
export const setOperators = (trip: Trip, operators: number): Trip =>
  withPacking(trip, { ...trip.packing, operators });

/** The limit that the way in usually has, instead of a typed one. */
export function usualLimit(trip: Trip): Trip {
  const { carryLimitG: _limit, ...rest } = trip;
  return rest;
}

export function addBag(trip: Trip, id: string): Trip {
  const bags = bagsOf(trip);
  return withPacking(trip, { ...trip.packing, bags: [...bags, { id, name: `bag ${bags.length + 1}` }] });
}

export const changeBag = (trip: Trip, id: string, change: Partial<Bag>): Trip =>
  withPacking(trip, {
    ...trip.packing,
    bags: bagsOf(trip).map((bag) => (bag.id === id ? { ...bag, ...change } : bag)),
  });

/** Without a bag; what lay in it lies in none. */
export const removeBag = (trip: Trip, id: string): Trip => ({
  ...withPacking(trip, { ...trip.packing, bags: bagsOf(trip).filter((bag) => bag.id !== id) }),
  loadout: trip.loadout.map(({ bag, ...item }) =>
    bag === undefined || bag === id ? item : { ...item, bag },
  ),
});
