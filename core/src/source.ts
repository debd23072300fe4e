/** Where a figure comes from. */
export type Source = 'datasheet' | 'measured' | 'assumed' | 'learned' | 'simulated';

export const SOURCES = [
  'datasheet',
  'measured',
  'assumed',
  'learned',
  'simulated',
] as const satisfies readonly Source[];

/** A figure learned from an outing goes before a measured one; readings of a simulated instrument come last. */
const TRUST: Record<Source, number> = { simulated: -1, assumed: 0, datasheet: 1, measured: 2, learned: 3 };

/** Whether a figure from one source is to be believed before one from another. */
export const beats = (source: Source, other: Source): boolean => TRUST[source] > TRUST[other];

/** How far a figure is to be believed. */
export interface Trust {
  readonly source: Source;
  /** Standard deviation as a share of the figure, where it was measured or learned. */
  readonly spread?: number;
}
