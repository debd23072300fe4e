import type { OutingRow } from './outing-row.js';

/** Outings that were told about the same chance, and how many of them lasted. */
export interface ToldAndCame {
  /** Tenths: from 0.9 up to 1 is the ninth. */
  readonly from: number;
  readonly to: number;
  /** The mean of what was told, 0 to 1. */
  readonly told: number;
  readonly outings: number;
  readonly lasted: number;
}

/** How well the chances that were told came true. */
export interface ComeTrue {
  readonly outings: number;
  readonly lasted: number;
  /** How many were to be expected by what was told. */
  readonly expected: number;
  /** 0 for a prophet, 0.25 for who always says even chances. */
  readonly brier: number;
  /** Descending; those without an outing left out. */
  readonly byTens: readonly ToldAndCame[];
}

/** Fewer outings say nothing. Source: convention of this project, docs/model.md. */
export const LEAST_OUTINGS = 5;

/**
 * How well the chances came true; null before there are enough outings. Who left by choice proves nothing, nor does an end that
 * nobody knows. Source: Brier (1950),
 * Monthly Weather Review 78, 1.
 */
export function cameTrue(rows: readonly Pick<OutingRow, 'told' | 'came'>[]): ComeTrue | null {
  const counted = rows.filter(({ came }) => came === 'lasted' || came === 'endedEarly');
  if (counted.length < LEAST_OUTINGS) return null;
  const isIn = (tenth: number) => (row: Pick<OutingRow, 'told'>) =>
    Math.min(9, Math.floor(10 * row.told + 1e-9)) === tenth;
  const lastedOf = (some: readonly Pick<OutingRow, 'came'>[]) =>
    some.filter(({ came }) => came === 'lasted').length;
  const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0);
  return {
    outings: counted.length,
    lasted: lastedOf(counted),
    expected: sum(counted.map(({ told }) => told)),
    brier: sum(counted.map(({ told, came }) => (told - (came === 'lasted' ? 1 : 0)) ** 2)) / counted.length,
    byTens: [9, 8, 7, 6, 5, 4, 3, 2, 1, 0].flatMap((tenth) => {
      const some = counted.filter(isIn(tenth));
      if (some.length === 0) return [];
      return [
        {
          ...{ from: tenth / 10, to: (tenth + 1) / 10, outings: some.length, lasted: lastedOf(some) },
          told: sum(some.map(({ told }) => told)) / some.length,
        },
      ];
    }),
  };
}
