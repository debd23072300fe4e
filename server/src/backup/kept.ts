import type { Database } from '../database/database.js';
import type { KeptText } from '../documents/document-store.js';
import { collections, type Stores } from '../documents/stores.js';

/** A stored document and the collection that it belongs to. */
export interface Kept extends KeptText {
  readonly kind: string;
}

/** Everything that is stored, readable or not, as it is at one moment. */
export function everythingKept(database: Database, stores: Stores): Promise<readonly Kept[]> {
  return database.read(async (manager) => {
    const kept: Kept[] = [];
    for (const [kind, store] of collections(stores)) {
      for (const { id, name, revision, text } of await store.rowsIn(manager)) {
        kept.push({ kind, id, name, revision, text });
      }
    }
    return kept;
  });
}
