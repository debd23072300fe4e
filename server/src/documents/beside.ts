import { along, apart, type PackingDocument, type RehearsalDocument, type Trip } from '@knapsack/contract';
import type { EntityManager } from 'typeorm';
import type { DocumentStore } from './document-store.js';

/** Where what is ticked and read of trips is kept, each document under the id of its trip. */
export interface BesideTrips {
  readonly packings: DocumentStore<PackingDocument>;
  readonly rehearsals: DocumentStore<RehearsalDocument>;
}

/** Puts what travels with a trip in its place beside it, as a part of a longer turn. @returns the trip alone */
export async function putBeside(
  manager: EntityManager,
  { packings, rehearsals }: BesideTrips,
  together: Trip,
): Promise<Trip> {
  const { trip, packing, rehearsal } = apart(together);
  if (packing) await packings.putIn(manager, packing);
  if (rehearsal) await rehearsals.putIn(manager, rehearsal);
  return trip;
}

/** Takes away what stands beside a trip, as a part of the turn that deletes it. */
export async function removeBeside(
  manager: EntityManager,
  { packings, rehearsals }: BesideTrips,
  id: string,
): Promise<void> {
  await packings.removeIn(manager, id);
  await rehearsals.removeIn(manager, id);
}

/** A trip with what stands beside it, as a part of a longer turn. */
export async function withBeside(
  manager: EntityManager,
  { packings, rehearsals }: BesideTrips,
  trip: Trip,
): Promise<Trip> {
  return along({
    trip,
    packing: await packings.documentIn(manager, trip.id),
    rehearsal: await rehearsals.documentIn(manager, trip.id),
  });
}
