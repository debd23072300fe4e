import { weightedQuantile } from './weigh.js';

/** What one, five and nine of ten outings stay below. */
export interface Band {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

export const bandOf = (values: ArrayLike<number>, shares: ArrayLike<number>): Band => ({
  p10: weightedQuantile(values, shares, 0.1),
  p50: weightedQuantile(values, shares, 0.5),
  p90: weightedQuantile(values, shares, 0.9),
});
