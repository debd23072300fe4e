import { chemistryOf, fixed, type PlanInput, type ReadQuantity } from '@knapsack/core';
import type { LogEntry, ReadingEntry } from '../documents/log.js';
import { inOrderOfTime } from './standing.js';

/** A reading that is asked about before it is kept: what is odd, and what was perhaps meant. */
export interface OddReading {
  readonly quantity: ReadQuantity;
  readonly sentence: string;
  /** What was perhaps meant, in the same unit; absent where only the user knows. */
  readonly meant?: number;
}

/** Volts are odd this far beyond what a battery has. */
const VOLTS_BEYOND = 1.25;
const VOLTS_UNDER = 0.6;

/**
 * What is odd about a reading as it is typed, or null: 129 for 12.9 V, and less counted than before without a reset.
 *
 * @param before entries that stand
 */
export function oddReading(
  reading: ReadingEntry,
  before: readonly LogEntry[],
  { packs }: Pick<PlanInput, 'packs'>,
): OddReading | null {
  return oddVolts(reading, packs) ?? lessThanBefore(reading, before);
}

function oddVolts({ volts }: ReadingEntry, packs: PlanInput['packs']): OddReading | null {
  if (volts === undefined) return null;
  const [{ label }] = packs;
  const { nominalV: setV, tableCells } = chemistryOf(label.chemistry);
  const nominalV = (setV * label.cellsInSeries) / tableCells;
  const fits = (value: number) => value > VOLTS_UNDER * nominalV && value < VOLTS_BEYOND * nominalV;
  if (fits(volts)) return null;
  const meant = [volts / 10, volts / 100, volts / 1000, volts * 10].find(fits);
  const about = `A battery of ${fixed(nominalV, 1)} V does not show ${volts} V.`;
  if (meant === undefined) return { quantity: 'volts', sentence: `${about} Look at the meter once more.` };
  const rounded = Number(meant.toPrecision(4));
  return { quantity: 'volts', sentence: `${about} Is it ${rounded} V?`, meant: rounded };
}

function lessThanBefore(reading: ReadingEntry, before: readonly LogEntry[]): OddReading | null {
  const { source = 'typed' } = reading;
  const earlier = before
    .filter(
      (entry) =>
        entry.id !== reading.id && entry.id !== reading.replaces && inOrderOfTime(entry, reading) < 0,
    )
    .toSorted(inOrderOfTime);
  const reset = earlier.findLastIndex(
    (entry) => entry.kind === 'reset' && (entry.source ?? 'typed') === source,
  );
  for (const quantity of ['outAh', 'inAh'] as const) {
    const value = reading[quantity];
    if (value === undefined) continue;
    const last = earlier
      .slice(reset + 1)
      .findLast(
        (entry): entry is ReadingEntry =>
          entry.kind === 'reading' && (entry.source ?? 'typed') === source && entry[quantity] !== undefined,
      );
    if (last && last[quantity]! > value) {
      const way = quantity === 'outAh' ? 'out' : 'in';
      return {
        quantity,
        sentence: `${last[quantity]} Ah ${way} stood there before, and ${value} Ah is less. Was the meter reset in between?`,
      };
    }
  }
  return null;
}
