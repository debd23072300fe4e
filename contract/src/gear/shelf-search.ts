import { chemistryOf } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import { KIND_WORDS } from './kind-words.js';
import { tellingFigures } from './telling.js';

/** Not archived. */
export const isOnShelf = ({ archived }: Gear): boolean => archived !== true;

/** Whether every word that is looked for stands in what an item says of itself, in any case. */
export function matches(gear: Gear, search: string): boolean {
  const text = [
    gear.name,
    gear.about ?? '',
    gear.note ?? '',
    KIND_WORDS[gear.kind],
    'chemistry' in gear ? chemistryOf(gear.chemistry).belongsTo : '',
    tellingFigures(gear),
    ...(gear.tags ?? []),
  ]
    .join(' ')
    .toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** A name that no item of the shelf has yet: "Curlew 10 copy", "Curlew 10 copy 2". */
export function freeName(name: string, shelf: readonly Gear[]): string {
  const taken = new Set(shelf.map((gear) => gear.name));
  const base = `${name} copy`.slice(0, 76);
  for (let count = 1; ; count++) {
    const tried = count === 1 ? base : `${base} ${count}`;
    if (!taken.has(tried)) return tried;
  }
}
