import type { PlanMark } from '@knapsack/core';

/** How a mark looks and what it is called: by shape and by word, never by colour alone. */
export const MARKS: Readonly<Record<PlanMark, { readonly icon: string; readonly word: string }>> = {
  fine: { icon: 'bi-diamond-fill', word: 'fine' },
  look: { icon: 'bi-triangle-fill', word: 'check' },
  stop: { icon: 'bi-octagon-fill', word: 'stop' },
  calculating: { icon: 'bi-hourglass-split', word: 'calculating' },
  unknown: { icon: 'bi-question-diamond', word: 'something is missing' },
};
