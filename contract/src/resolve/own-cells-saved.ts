import { BUS_V, CONVERTERS, HOUR_MS, piecesAh, sayQuantity } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lookUp } from './look-up.js';
import { resolve } from './resolve.js';

/** What the cells inside of a device do for the battery. */
export interface OwnCellsSaved {
  /** What it would take from the battery without them, and what it takes, Ah. */
  readonly aloneAh: number;
  readonly takenAh: number;
  /** How long it runs by itself from full, in its own way of use, h; null where it never runs. */
  readonly runsH: number | null;
}

/** What a line of the bag with cells of its own takes in a trip; null where it has none, or nothing can be calculated. */
export function ownCellsSaved(trip: Trip, shelf: readonly Gear[], index: number): OwnCellsSaved | null {
  const item = trip.loadout[index];
  const found = item && lookUp(trip, shelf).carried.find((one) => one.index === index)?.gear;
  if (found?.kind !== 'accessory' || !found.internal) return null;
  const { ownCells: _cells, ...bare } = item;
  const onBus = piecesOf({ ...trip, loadout: trip.loadout.with(index, bare) }, shelf, found.id);
  const asIs = piecesOf(trip, shelf, found.id);
  if (!onBus || !asIs) return null;
  const hours = onBus.reduce((sum, { startMs, endMs }) => sum + (endMs - startMs) / HOUR_MS, 0);
  const aloneAh = piecesAh(onBus);
  // From full, at its mean use while it is on: the loss of its converter counts on the bus alone.
  const usedWh = aloneAh * BUS_V * CONVERTERS.usb.efficiency;
  const runsH = usedWh > 0 ? (item.count * found.internal.wattHours.value * hours) / usedWh : null;
  return { aloneAh, takenAh: piecesAh(asIs), runsH };
}

function piecesOf(trip: Trip, shelf: readonly Gear[], id: string) {
  const plan = resolve(trip, shelf);
  return plan.ok ? (plan.value.accessories.find((load) => load.id === id)?.pieces ?? null) : null;
}

/** The same in a sentence: "Runs 5 h 30 by itself; 2.10 Ah saved." */
export function sayOwnCells({ aloneAh, takenAh, runsH }: OwnCellsSaved): string {
  const runs = runsH === null ? '' : `Runs ${sayQuantity({ value: runsH, unit: 'duration' })} by itself; `;
  const saved = aloneAh - takenAh;
  const ah = sayQuantity({ value: Math.abs(saved), unit: 'Ah' });
  if (Math.abs(saved) < 0.005) return `${runs}nothing saved.`;
  return saved > 0 ? `${runs}${ah} of the battery saved.` : `${runs}takes ${ah} more than on the bus alone.`;
}
