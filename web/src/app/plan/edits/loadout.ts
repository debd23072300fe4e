import type { AccessoryRule, Gear, LoadoutItem, Trip } from '@knapsack/contract';

/** Puts another gear item in the place of one. */
export const swapItem = (trip: Trip, index: number, gearId: string): Trip =>
  trip.loadout[index]?.gear === gearId
    ? trip
    : withItem(trip, index, ({ count }) => ({ gear: gearId, count }));

export const setCount = (trip: Trip, index: number, count: number): Trip =>
  withItem(trip, index, (item) => (item.count === count ? item : { ...item, count }));

export const setRule = (trip: Trip, index: number, rule: AccessoryRule): Trip =>
  withItem(trip, index, (item) => ({ ...item, rule }));

export const takeOut = (trip: Trip, index: number): Trip => ({
  ...trip,
  loadout: trip.loadout.filter((_, at) => at !== index),
});

export const putIn = (trip: Trip, gearId: string): Trip =>
  trip.loadout.some(({ gear }) => gear === gearId)
    ? trip
    : { ...trip, loadout: [...trip.loadout, { gear: gearId, count: 1 }] };

/** What the bag weighs, g, and how many of its items nobody has weighed. */
export function bagWeight(trip: Trip, byId: ReadonlyMap<string, Gear>): { grams: number; unweighed: number } {
  let grams = 0;
  let unweighed = 0;
  for (const { gear, count } of trip.loadout) {
    const weight = byId.get(gear)?.weightG;
    if (weight) grams += weight.value * count;
    else unweighed += 1;
  }
  return { grams, unweighed };
}

function withItem(trip: Trip, index: number, change: (item: LoadoutItem) => LoadoutItem): Trip {
  const item = trip.loadout[index];
  if (!item) return trip;
  const changed = change(item);
  return changed === item ? trip : { ...trip, loadout: trip.loadout.with(index, changed) };
}
