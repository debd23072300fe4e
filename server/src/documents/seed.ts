import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Result } from '@knapsack/core';
import { readDebrief, readLog, readRequirements, readShelf, readTrip } from '@knapsack/contract/schemas';
import type { Stores } from './stores.js';

/**
 * Puts the documents of a folder (gear.json, trips/*.json, logs/*.json) into the stores; what is there already stays
 * as it is.
 *
 * @throws Error if a document of the folder is not valid: it ships with the application
 */
export async function seed(stores: Stores, folder: string): Promise<void> {
  const shelf = valid(readShelf(readJson(join(folder, 'gear.json'))));
  for (const gear of shelf.gear) await stores.gear.create(gear);
  await seedOutings(stores, folder);
}

/** The same with the outings of the past in season/, what was made of them, and what the next build must do. */
export async function seedDemo(stores: Stores, folder: string): Promise<void> {
  await seed(stores, folder);
  const season = join(folder, 'season');
  await seedOutings(stores, season);
  for (const file of filesIn(join(season, 'debriefs')))
    await stores.debriefs.create(valid(readDebrief(readJson(file))));
  await stores.requirements.create(valid(readRequirements(readJson(join(season, 'requirements.json')))));
}

async function seedOutings(stores: Stores, folder: string): Promise<void> {
  for (const file of filesIn(join(folder, 'trips')))
    await stores.trips.create(valid(readTrip(readJson(file))));
  for (const file of filesIn(join(folder, 'logs'))) await stores.logs.create(valid(readLog(readJson(file))));
}

const filesIn = (folder: string): readonly string[] =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => join(folder, name));

const readJson = (file: string): unknown => JSON.parse(readFileSync(file, 'utf8'));

function valid<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(result.problems.map(({ pointer, sentence }) => `${pointer ?? ''} ${sentence}`).join('\n'));
}
