/** Where a figure comes from. */
export type Source = 'datasheet' | 'measured' | 'assumed' | 'learned';

export const SOURCES = ['datasheet', 'measured', 'assumed', 'learned'] as const satisfies readonly Source[];

const TRUST: Record<Source, number> = { assumed: 0, datasheet: 1, learned: 2, measured: 3 };

/** Whether a figure from one source is to be believed before one from another. */
export const beats = (source: Source, other: Source): boolean => TRUST[source] > TRUST[other];
