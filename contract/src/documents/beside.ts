import type { StepResult } from './rehearsal.js';
import type { Trip } from './trip.js';

export const PACKING_SCHEMA = 'knapsack.packing';
export const PACKING_VERSION = 1;
export const REHEARSAL_SCHEMA = 'knapsack.rehearsal';
export const REHEARSAL_VERSION = 1;

/** A piece that is ticked off: it lies packed. */
export interface PackedTick {
  /** Id of the gear. */
  readonly gear: string;
}

/** What lies packed for a trip, whichever of its variants is in hand. */
export interface PackingDocument {
  readonly schema: typeof PACKING_SCHEMA;
  readonly version: typeof PACKING_VERSION;
  /** The trip's id. */
  readonly id: string;
  readonly packed: readonly PackedTick[];
}

/** What the home test of a trip's kit gave. */
export interface RehearsalDocument {
  readonly schema: typeof REHEARSAL_SCHEMA;
  readonly version: typeof REHEARSAL_VERSION;
  /** The trip's id. */
  readonly id: string;
  readonly results: readonly StepResult[];
}

/** A trip and what is ticked and read of it; null where nothing ever was. */
export interface TripApart {
  readonly trip: Trip;
  readonly packing: PackingDocument | null;
  readonly rehearsal: RehearsalDocument | null;
}

export const noTicks = (id: string): PackingDocument => ({
  ...{ schema: PACKING_SCHEMA, version: PACKING_VERSION, id },
  packed: [],
});

export const noResults = (id: string): RehearsalDocument => ({
  ...{ schema: REHEARSAL_SCHEMA, version: REHEARSAL_VERSION, id },
  results: [],
});

/** A trip as it stands in a file, taken apart: what is ticked and read stands beside it, with a revision of its own. */
export function apart({ packed, results, ...trip }: Trip): TripApart {
  return {
    trip,
    packing: packed ? { ...noTicks(trip.id), packed } : null,
    rehearsal: results ? { ...noResults(trip.id), results } : null,
  };
}

/**
 * A trip with what stands beside it, as one document that can go anywhere. Nothing ticked, where something was once, is said too:
 * whoever takes it in then has nothing ticked.
 */
export const along = ({ trip, packing, rehearsal }: TripApart): Trip => ({
  ...trip,
  ...(packing && { packed: packing.packed }),
  ...(rehearsal && { results: rehearsal.results }),
});
