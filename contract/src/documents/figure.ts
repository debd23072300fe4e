import type { Source } from '@knapsack/core';

/** A telling figure and where it comes from. Units are in the name of the field that holds it. */
export interface Figure {
  readonly value: number;
  readonly source: Source;
}
