/** Where a figure comes from. */
export type Source = 'datasheet' | 'measured' | 'assumed' | 'learned';

export const SOURCES = ['datasheet', 'measured', 'assumed', 'learned'] as const satisfies readonly Source[];

/** What a whole outing has taught of a figure, and the user has accepted, goes before what a bench has measured. */
const TRUST: Record<Source, number> = { assumed: 0, datasheet: 1, measured: 2, learned: 3 };

/** Whether a figure from one source is to be believed before one from another. */
export const beats = (source: Source, other: Source): boolean => TRUST[source] > TRUST[other];

/** How far a figure is to be believed. */
export interface Trust {
  readonly source: Source;
  /** Standard deviation as a share of the figure, where it was measured or learned. */
  readonly spread?: number;
}
