import type { LoadoutItem, Trip } from '../documents/trip.js';

/** All lines that a trip names: of the bag in hand, of its variants, and of what stays at home. */
export const allLines = (trip: Trip): readonly LoadoutItem[] =>
  [trip, ...(trip.variants ?? [])].flatMap(({ loadout, setAside = [] }) => [
    ...loadout,
    ...setAside.flatMap(({ lines }) => lines.map(({ item }) => item)),
  ]);
