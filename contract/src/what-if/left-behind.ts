import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { isKind, lookUp } from '../resolve/look-up.js';
import { hoursOnAir, leftOf, withoutSome, type Failure, type Without } from './failures.js';

/** What a plan achieves without some of what is in its bag, and the plan itself; null where nobody is on the air then. */
export interface LeftBehind extends Omit<Failure, 'name'> {
  readonly trip: Trip | null;
}

/**
 * What the plan still achieves if all of some gear stays at home. What the sum does not count (an antenna that is not the only
 * one, a bag of tools) changes no hour.
 *
 * @param ids of the gear that stays
 */
export function leaveBehind(trip: Trip, shelf: readonly Gear[], ids: readonly string[]): LeftBehind {
  const without = ids.reduce<Without | null>((left, id) => left && withoutAll(left, shelf, id), { trip });
  return {
    ofHours: hoursOnAir(trip, Infinity),
    ...leftOf(trip, without, shelf),
    trip: without?.trip ?? null,
  };
}

function withoutAll(left: Without, shelf: readonly Gear[], id: string): Without | null {
  const { carried } = lookUp(left.trip, shelf);
  const piece = carried.find(({ gear }) => gear.id === id);
  if (!piece) return left;
  if (piece.gear.kind === 'antenna' && carried.filter(isKind('antenna')).length === 1) return null;
  const without = withoutSome(left.trip, carried, piece, piece.item.count);
  if (!without) return null;
  const because = [left.because, without.because].filter((words) => words !== undefined).join(', ');
  return { trip: without.trip, ...(because && { because }) };
}
