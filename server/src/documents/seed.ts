import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Result } from '@knapsack/core';
import { readShelf, readTrip } from '@knapsack/contract/schemas';
import type { Stores } from './stores.js';

/**
 * Puts the documents of a folder (gear.json, trips/*.json) into the stores; what is there already stays
 * as it is.
 *
 * @throws Error if a document of the folder is not valid: it ships with the application
 */
export async function seed(stores: Stores, folder: string): Promise<void> {
  const shelf = valid(readShelf(readJson(join(folder, 'gear.json'))));
  for (const gear of shelf.gear) await stores.gear.create(gear);
  const trips = join(folder, 'trips');
  for (const file of readdirSync(trips)
    .filter((name) => name.endsWith('.json'))
    .sort()) {
    await stores.trips.create(valid(readTrip(readJson(join(trips, file)))));
  }
}

const readJson = (file: string): unknown => JSON.parse(readFileSync(file, 'utf8'));

function valid<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(result.problems.map(({ pointer, sentence }) => `${pointer ?? ''} ${sentence}`).join('\n'));
}
