import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** What an address of the page needs beyond its first scripts. */
interface Preloads {
  readonly scripts: readonly string[];
  /** The script of the worker that it begins with. */
  readonly worker: string | null;
}

/** What the build has written down, by address; a star stands for a trip. Nothing where the page was built without. */
export function readPreloads(folder: string): ReadonlyMap<string, Preloads> {
  const file = join(folder, 'preloads.json');
  if (!existsSync(file)) return new Map();
  return new Map(Object.entries(JSON.parse(readFileSync(file, 'utf8')) as Record<string, Preloads>));
}

/** An id as the schemas take one: nothing in it could end an attribute. */
const TRIP_ADDRESS = /^\/trips\/([a-z0-9][a-z0-9-]{0,79})(\/[a-z]+)?\/?$/;

/**
 * Links in the head of the page: the scripts of its room, and the documents that it asks for first, which come while the scripts
 * are still on their way.
 */
export function preloadsOf(path: string, known: ReadonlyMap<string, Preloads>): string {
  const [, trip, room = ''] = TRIP_ADDRESS.exec(path) ?? [];
  const needed = known.get(trip === undefined ? path : `/trips/*${room}`);
  if (!needed) return '';
  const documents =
    trip !== undefined
      ? [`trips/${trip}`, 'gear', `packings/${trip}`, `rehearsals/${trip}`]
      : path === '/'
        ? ['trips']
        : [];
  return [
    ...documents.map((name) => `<link rel="preload" as="fetch" crossorigin href="/api/${name}" />`),
    ...needed.scripts.map((name) => `<link rel="modulepreload" href="/${name}" />`),
    ...(needed.worker ? [`<link rel="prefetch" href="/${needed.worker}" />`] : []),
  ].join('');
}
