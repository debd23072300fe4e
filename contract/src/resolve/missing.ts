import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { isKind, lookUp } from './look-up.js';
import { knowsSky } from './sky-of.js';

/** What a plan must know before anything can be said of it, in the order in which it is asked for, and the sentence that asks. */
export const MISSING = {
  radio: 'Add a radio: its current is what the calculation begins with.',
  battery: 'Add a battery.',
  hours: 'Add the hours in which you will operate.',
  sky: 'Choose a climate or read a forecast: what the panel gives depends on the sky.',
} as const;

export type Missing = keyof typeof MISSING;

/** What a trip lacks for a verdict; nothing where one can be given. */
export function missingIn(trip: Trip, shelf: readonly Gear[]): readonly Missing[] {
  const { carried } = lookUp(trip, shelf);
  const has: Record<Missing, boolean> = {
    radio: carried.some(isKind('radio')),
    battery: carried.some((one) => isKind('battery')(one) || isKind('station')(one)),
    hours: trip.blocks.length > 0,
    // Without a place the place is asked for first.
    sky: knowsSky(trip) || trip.place.latitudeDeg === undefined || !carried.some(isKind('panel')),
  };
  return (Object.keys(MISSING) as Missing[]).filter((what) => !has[what]);
}
