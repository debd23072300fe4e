import type { Gear, Trip } from '@knapsack/contract';
import type { DataSource } from 'typeorm';
import { GearTable, TripTable } from '../database/entities.js';
import { DocumentStore } from './document-store.js';

export interface Stores {
  readonly trips: DocumentStore<Trip>;
  readonly gear: DocumentStore<Gear>;
}

export const storesOf = (source: DataSource): Stores => ({
  trips: new DocumentStore<Trip>(source, TripTable),
  gear: new DocumentStore<Gear>(source, GearTable),
});
