import { partsBelow, type HarnessPart } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import type { Carried } from '../resolve/look-up.js';
import { radiosByPosition } from '../resolve/resolve-positions.js';
import { harnessOf } from './harness-of.js';
import { pieceId } from './piece-id.js';

/**
 * The parts of the harness that fail with a piece of the bag: itself, and everything that hangs behind it; of a cable what it
 * leads to. Plan's "if one thing fails", Pack's spares and Wire's single points all ask here.
 *
 * @param many how many of several of a kind fail; of cables nothing is lost while one is left
 */
export function lostWith(
  trip: Trip,
  carried: readonly Carried[],
  { gear, item }: Carried,
  many = 1,
): ReadonlySet<string> {
  const parts = harnessOf(trip, carried);
  const failing =
    gear.kind === 'lead'
      ? item.count > many
        ? []
        : parts.filter(({ run }) => run?.cable === gear.name)
      : piecesOf(parts, gear.id, item.count).slice(-many);
  return new Set(failing.flatMap(({ id }) => partsBelow(parts, id).map((part) => part.id)));
}

/** The parts that are pieces of one kind of gear; one part where the harness has one for all of them. */
function piecesOf(parts: readonly HarnessPart[], gear: string, count: number): readonly HarnessPart[] {
  const ids = Array.from({ length: count }, (_, index) => pieceId(gear, index));
  return ids.flatMap((id) => parts.filter((part) => part.id === id));
}

/** Ids of the radios as parts, in the order of the operating positions. */
export const radioParts = (carried: readonly Carried[]): readonly string[] => {
  const radios = radiosByPosition(carried);
  return radios.map(({ id }, index) =>
    pieceId(id, radios.slice(0, index).filter((other) => other.id === id).length),
  );
};
