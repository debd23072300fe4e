import type { Gear, Requirement, Trip } from '@knapsack/contract';
import { heldAgainst, kitsOf, wishedKits, type Held } from '@knapsack/contract/requirements';
import type { Work } from './work';

export interface HeldQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly requirements: readonly Requirement[];
}

/** A kit, and how it stands to each requirement, in their order. */
export interface HeldKitView {
  readonly name: string;
  readonly held: readonly Held[];
}

/** The kits of a trip, and it with what is wished for, held against requirements. */
export const heldWork: Work<HeldQuestion, readonly HeldKitView[]> = (
  { trip, shelf, requirements },
  { say },
) =>
  say(
    [...kitsOf(trip), ...wishedKits(trip, shelf)].map((kit) => ({
      name: kit.name,
      held: requirements.map((requirement) => heldAgainst(requirement, kit, shelf)),
    })),
  );
