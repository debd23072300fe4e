import type { Gear, Requirement, Trip } from '@knapsack/contract';
import { heldAgainst, kitsOf, type Held } from '@knapsack/contract/logbook';
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

/** The kits of a trip held against requirements. */
export const heldWork: Work<HeldQuestion, readonly HeldKitView[]> = (
  { trip, shelf, requirements },
  { say },
) =>
  say(
    kitsOf(trip).map((kit) => ({
      name: kit.name,
      held: requirements.map((requirement) => heldAgainst(requirement, kit, shelf)),
    })),
  );
