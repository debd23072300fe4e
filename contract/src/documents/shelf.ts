import type { Gear } from './gear.js';

export const SHELF_SCHEMA = 'knapsack.shelf';
export const SHELF_VERSION = 1;

/** Many gear items in one file, for import, export and the terminal tool. */
export interface ShelfDocument {
  readonly schema: typeof SHELF_SCHEMA;
  readonly version: typeof SHELF_VERSION;
  readonly gear: readonly Gear[];
}
