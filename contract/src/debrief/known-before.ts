import { toLocalField } from '@knapsack/core';
import type { FigureEntry } from '../documents/figure.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { withoutLearned } from './learned-figures.js';

/** The day on which an outing ended, where it was: what it has taught is dated so. */
export const dayLearned = ({ end, place }: Pick<Trip, 'end' | 'place'>): string =>
  toLocalField(Date.parse(end), place.timeZone).slice(0, 10);

/**
 * A shelf as it was known before an outing: without what it has taught itself, what later ones have, and what was measured after it.
 * Each outing is weighed against what was known then, so that nothing is learned from it twice.
 */
export function knownBefore(
  shelf: readonly Gear[],
  trip: Pick<Trip, 'id' | 'end' | 'place'>,
): readonly Gear[] {
  const day = dayLearned(trip);
  const isLater = ({ source, date, outing }: FigureEntry) =>
    outing === trip.id ||
    ((source === 'learned' || source === 'measured') && date !== undefined && date > day);
  return shelf.map((gear) => withoutLearned(gear, isLater));
}
