import type { Trip } from '../documents/trip.js';
import { isKind, type Carried } from '../resolve/look-up.js';
import { lostWith, radioParts } from './lost-with.js';

/** What nobody is on the air without, of which there is only one. */
export function singlePieces(trip: Trip, carried: readonly Carried[]): readonly Carried[] {
  const radios = radioParts(carried);
  return carried.filter((piece) => {
    const { gear, item } = piece;
    if (item.count > 1 || radios.length === 0) return false;
    if (gear.kind === 'antenna') return carried.filter(isKind('antenna')).length === 1;
    const lost = lostWith(trip, carried, piece);
    return radios.every((radio) => lost.has(radio));
  });
}
