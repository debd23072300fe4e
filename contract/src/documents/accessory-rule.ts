import type { Mode } from '@knapsack/core';

/** When an accessory is on: the whole outing, or while operating (only in some modes, where those are named). */
export type AccessoryRule =
  { readonly when: 'always' } | { readonly when: 'operating'; readonly modes?: readonly Mode[] };
