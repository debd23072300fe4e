import { forecast, sayDuration, sayQuantity, type Verdict } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from '../resolve/resolve.js';

/** A change under this is none, Ah. */
const NOTHING_AH = 0.005;

/** What a trip gains or loses by an item's change; null where nothing changes or it cannot be calculated. */
export function effectOn(trip: Trip, shelf: readonly Gear[], after: Gear): string | null {
  const before = verdictOf(trip, shelf);
  const now = verdictOf(
    trip,
    shelf.map((gear) => (gear.id === after.id ? after : gear)),
  );
  if (!before || !now) return null;
  if (before.lasts && now.lasts) {
    const change = now.marginAh - before.marginAh;
    if (Math.abs(change) < NOTHING_AH) return null;
    return `${trip.name} ${change > 0 ? 'gains' : 'loses'} ${sayQuantity({ value: Math.abs(change), unit: 'Ah' })}.`;
  }
  if (before.lasts !== now.lasts) {
    return now.lasts ? `${trip.name} lasts now.` : `${trip.name} does not last any more.`;
  }
  const hours = now.marginHours - before.marginHours;
  return Math.abs(hours) < 1 / 60
    ? null
    : `${trip.name} ends ${sayDuration(Math.abs(hours))} ${hours > 0 ? 'later' : 'sooner'}.`;
}

function verdictOf(trip: Trip, shelf: readonly Gear[]): Verdict | null {
  const plan = resolve(trip, shelf);
  return plan.ok ? forecast(plan.value).verdict : null;
}
