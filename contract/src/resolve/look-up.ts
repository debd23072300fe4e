import type { Problem } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';

/** An item of the bag with the gear that it stands for. */
export interface Carried<Kind extends Gear = Gear> {
  readonly item: LoadoutItem;
  readonly index: number;
  readonly gear: Kind;
}

/** The items of the bag with their gear, and a problem for each that nobody knows. The shelf goes before what travels with the trip. */
export function lookUp(trip: Trip, shelf: readonly Gear[]): { carried: Carried[]; missing: Problem[] } {
  const known = new Map([...(trip.gear ?? []), ...shelf].map((gear) => [gear.id, gear]));
  const carried: Carried[] = [];
  const missing: Problem[] = [];
  trip.loadout.forEach((item, index) => {
    const gear = known.get(item.gear);
    if (gear) carried.push({ item, index, gear });
    else {
      missing.push({
        code: 'unknown-gear',
        pointer: `/loadout/${index}/gear`,
        sentence: `The trip carries “${item.gear}”, which is neither on the shelf nor in the trip’s own file.`,
      });
    }
  });
  return { carried, missing };
}

/** Narrows carried items to one kind of gear. */
export const isKind =
  <Kind extends Gear['kind']>(kind: Kind) =>
  (carried: Carried): carried is Carried<Extract<Gear, { kind: Kind }>> =>
    carried.gear.kind === kind;

export const counted = (name: string, count: number): string => (count === 1 ? name : `${count} × ${name}`);

/** What is missing from the bag. */
export const lacking = (what: string, sentence: string): Problem => ({
  code: `no-${what}`,
  pointer: '/loadout',
  sentence,
});
