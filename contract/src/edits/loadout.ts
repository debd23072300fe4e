import type { AccessoryRule } from '../documents/accessory-rule.js';
import type { Gear } from '../documents/gear.js';
import type { ChargingHours, LoadoutItem, OwnCellsUse, Trip } from '../documents/trip.js';
import { HOUR_MS, type CableRunName } from '@knapsack/core';

/** Puts another gear item in the place of one. */
export const swapItem = (trip: Trip, index: number, gearId: string): Trip =>
  trip.loadout[index]?.gear === gearId
    ? trip
    : withItem(trip, index, ({ count }) => ({ gear: gearId, count }));

export const setCount = (trip: Trip, index: number, count: number): Trip =>
  withItem(trip, index, (item) => (item.count === count ? item : { ...item, count }));

export const setRule = (trip: Trip, index: number, rule: AccessoryRule): Trip =>
  withItem(trip, index, (item) => ({ ...item, rule }));

/** Another run than the cable's own, for this trip. */
export const setCableRun = (trip: Trip, index: number, run: CableRunName): Trip =>
  withItem(trip, index, (item) => ({ ...item, run }));

/** So many panels of one kind in strings of so many; the count becomes a multiple of the string's length. */
export function setStrings(trip: Trip, index: number, count: number, inSeries: number): Trip {
  return withItem(trip, index, ({ inSeries: before, ...item }) => {
    const whole = Math.max(inSeries, Math.round(count / inSeries) * inSeries);
    return { ...item, count: whole, ...(inSeries > 1 && { inSeries }) };
  });
}

/** How panels in parallel are led to their controller; by cables that are not entered where nothing is said. */
export const setCabling = (trip: Trip, index: number, cabling: LoadoutItem['cabling'] | null): Trip =>
  withItem(trip, index, ({ cabling: _before, ...item }) => (cabling ? { ...item, cabling } : item));

/** How a device with cells of its own is fed in this trip; from the bus alone where nothing is said. */
export const setOwnCells = (trip: Trip, index: number, use: OwnCellsUse | null): Trip =>
  withItem(trip, index, ({ ownCells: _before, ...item }) => (use ? { ...item, ownCells: use } : item));

/** When a charger charges during the outing; never where nothing is said. */
export const setCharging = (trip: Trip, index: number, charging: ChargingHours | null): Trip =>
  withItem(trip, index, ({ charging: _before, ...item }) => (charging ? { ...item, charging } : item));

/** Hours to begin with, there to be changed: the first two of the outing. */
export function firstHours({ start }: Pick<Trip, 'start'>): { readonly start: string; readonly end: string } {
  const startMs = Date.parse(start);
  const [from, until] = [startMs, startMs + 2 * HOUR_MS].map((timeMs) => new Date(timeMs).toISOString());
  return { start: from, end: until };
}

/** A charger charges in the first hours of the outing, until others are said. */
export const beginCharging = (trip: Trip, index: number): Trip =>
  setCharging(trip, index, { hours: [firstHours(trip)] });

/** It comes along on purpose: nobody asks again. */
export const setMeant = (trip: Trip, index: number): Trip =>
  withItem(trip, index, (item) => ({ ...item, meant: true }));

export const takeOut = (trip: Trip, index: number): Trip => ({
  ...trip,
  loadout: trip.loadout.filter((_, at) => at !== index),
});

export const putIn = (trip: Trip, gearId: string): Trip =>
  trip.loadout.some(({ gear }) => gear === gearId)
    ? trip
    : { ...trip, loadout: [...trip.loadout, { gear: gearId, count: 1 }] };

/** What the bag weighs, g, and how many of its items nobody has weighed. */
export function bagWeight(
  { loadout }: Pick<Trip, 'loadout'>,
  byId: ReadonlyMap<string, Gear>,
): { grams: number; unweighed: number } {
  let grams = 0;
  let unweighed = 0;
  for (const { gear, count } of loadout) {
    const weight = byId.get(gear)?.weightG;
    if (weight) grams += weight.value * count;
    else unweighed += 1;
  }
  return { grams, unweighed };
}

/** What the bag cost, in the user's money; what has no price counts nothing. */
export const bagCost = (trip: Trip, byId: ReadonlyMap<string, Gear>): number =>
  trip.loadout.reduce((sum, { gear, count }) => sum + (byId.get(gear)?.price?.value ?? 0) * count, 0);

function withItem(trip: Trip, index: number, change: (item: LoadoutItem) => LoadoutItem): Trip {
  const item = trip.loadout[index];
  if (!item) return trip;
  const changed = change(item);
  return changed === item ? trip : { ...trip, loadout: trip.loadout.with(index, changed) };
}
