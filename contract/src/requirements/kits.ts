import type { Gear } from '../documents/gear.js';
import { inOrder } from '../gear/shelf-order.js';
import { isStillToBuy } from '../money/still-to-buy.js';
import type { Trip } from '../documents/trip.js';
import { asTrip, partOf, UNNAMED_VARIANT } from '../documents/variants.js';

/** A kit that is held against requirements: a variant of a trip, or one with a piece of the wish list. */
export interface HeldKit {
  readonly name: string;
  readonly trip: Trip;
}

/** The kits of a trip: the variant in hand and those beside it. */
export const kitsOf = (trip: Trip): readonly HeldKit[] => [
  { name: trip.variantName ?? UNNAMED_VARIANT, trip: asTrip(trip, partOf(trip)) },
  ...(trip.variants ?? []).map((variant) => ({ name: variant.name, trip: asTrip(trip, variant) })),
];

/** What a wished piece takes the place of: a power station and a battery each other's, too. */
const PLACE_OF: Readonly<Partial<Record<Gear['kind'], readonly Gear['kind'][]>>> = {
  radio: ['radio'],
  battery: ['battery', 'station'],
  station: ['battery', 'station'],
  panel: ['panel'],
  controller: ['controller'],
};
/** Columns that a table still shows side by side. */
const MOST_WISHED = 4;

/** The kit in hand with one piece of the wish list each, in the place of what it would replace; by their place on the shelf. */
export function wishedKits(trip: Trip, shelf: readonly Gear[]): readonly HeldKit[] {
  const kinds = new Map(shelf.map(({ id, kind }) => [id, kind]));
  return inOrder(shelf)
    .filter((gear) => isStillToBuy(gear) && !gear.archived)
    .flatMap((gear): HeldKit[] => {
      const replaced = PLACE_OF[gear.kind] ?? [];
      const at = trip.loadout.findIndex((item) => replaced.includes(kinds.get(item.gear) ?? 'other'));
      if (at === -1 || trip.loadout.some((item) => item.gear === gear.id)) return [];
      // What else is said of a piece, as how panels are led, is not said of another.
      const { bag, module } = trip.loadout[at];
      const loadout = trip.loadout.flatMap((item, index) =>
        index === at
          ? [{ gear: gear.id, count: 1, ...(bag && { bag }), ...(module && { module }) }]
          : replaced.includes(kinds.get(item.gear) ?? 'other')
            ? []
            : [item],
      );
      return [{ name: `with ${gear.name}`, trip: { ...trip, loadout } }];
    })
    .slice(0, MOST_WISHED);
}
