import { seedOf } from './generator.js';

/** The one seed of the product: the same plan gives the same chance wherever it is asked. */
export const SEED = seedOf('knapsack');
