import type { Gear } from '../documents/gear.js';
import type { OutingRow } from './outing-row.js';

/** Of so many outings, the last, something came along in at least so many and was never used: that is worth a word. Source: convention of this project. */
const LAST_OUTINGS = 10;
const OUTINGS_IN_VAIN = 8;

/** A piece that was carried again and again and never used. */
export interface NeverUsed {
  readonly gear: string;
  readonly name: string;
  readonly outings: number;
  /** g; null where nobody has weighed it. */
  readonly weightG: number | null;
}

/** What came along in most of the last outings and was used in none of them, the heaviest first. */
export function neverUsed(
  rows: readonly Pick<OutingRow, 'carried' | 'unused' | 'startMs'>[],
  shelf: readonly Gear[],
): readonly NeverUsed[] {
  const last = rows.toSorted((a, b) => b.startMs - a.startMs).slice(0, LAST_OUTINGS);
  return shelf
    .flatMap(({ id, name, weightG }): readonly NeverUsed[] => {
      const along = last.filter(({ carried }) => carried.includes(id));
      const isInVain = along.length >= OUTINGS_IN_VAIN && along.every(({ unused }) => unused.includes(id));
      return isInVain ? [{ gear: id, name, outings: along.length, weightG: weightG?.value ?? null }] : [];
    })
    .sort((a, b) => (b.weightG ?? 0) - (a.weightG ?? 0));
}
