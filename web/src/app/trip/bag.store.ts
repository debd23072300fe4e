import { computed, inject, Injectable } from '@angular/core';
import {
  MOST_POSITIONS,
  positionOf,
  type Block,
  type Gear,
  type GearKind,
  type LoadoutItem,
  type Radio,
} from '@knapsack/contract';
import { ShelfService } from '../data/shelf.service';
import { TripStore } from './trip.store';

const NOTHING: readonly never[] = [];

/** What is in the bag of the trip in hand, looked up on the shelf. */
@Injectable()
export class BagStore {
  private readonly store = inject(TripStore);
  private readonly shelf = inject(ShelfService);

  // What stays the same while a block is dragged stays the same object, so that the bag is not drawn anew with each move.
  /** What is in the bag. */
  readonly loadout = computed<readonly LoadoutItem[]>(() => this.store.trip()?.loadout ?? NOTHING);
  private readonly ownGear = computed<readonly Gear[]>(() => this.store.trip()?.gear ?? NOTHING);
  /** Gear by id: the shelf before what travels with the trip. */
  readonly gear = computed(() => {
    const own = this.ownGear();
    return new Map([...own, ...this.shelf.gear()].map((item) => [item.id, item]));
  });
  readonly radio = computed(() => this.firstInBag('radio'));
  /** The radios of the bag in its order, as often as they are there: the operating positions. */
  readonly positions = computed<readonly Radio[]>(() => {
    const gear = this.gear();
    return this.loadout().flatMap(({ gear: id, count }) => {
      const item = gear.get(id);
      return item?.kind === 'radio'
        ? Array.from({ length: Math.min(count, MOST_POSITIONS) }, () => item)
        : [];
    });
  });
  readonly battery = computed(() => this.firstInBag('battery') ?? this.firstInBag('station'));
  readonly panel = computed(() => this.firstInBag('panel'));
  readonly controller = computed(() => this.firstInBag('controller'));

  /** The radio that a block is worked with; the first where its operating position has none. */
  radioOf(block: Block): Radio | null {
    return this.positions()[positionOf(block) - 1] ?? this.radio();
  }

  /** The first item of a kind in the bag: the one that takes part in the sum. */
  private firstInBag<Kind extends GearKind>(kind: Kind): Extract<Gear, { kind: Kind }> | null {
    for (const { gear } of this.loadout()) {
      const item = this.gear().get(gear);
      if (item?.kind === kind) return item as Extract<Gear, { kind: Kind }>;
    }
    return null;
  }
}
