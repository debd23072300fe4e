import { REPEATS } from '@knapsack/contract';
import { ACTIVITIES, ACTIVITY_NAMES, ASSUMPTIONS, MODE_NAMES, sayMode } from '@knapsack/core';
import { choicesOf, type Choice } from '../../parts/choices';

/** The choice of voice with heavy speech processing, which is no mode of its own. */
export const PROCESSED = 'SSB processed';

export const MODE_CHOICES: readonly Choice[] = MODE_NAMES.flatMap((mode) => [
  { value: mode, label: sayMode(mode) },
  ...(mode === 'SSB' ? [{ value: PROCESSED, label: 'SSB, processed' }] : []),
]);

export const ACTIVITY_CHOICES: readonly Choice[] = ACTIVITY_NAMES.map((name) => ({
  value: name,
  label: ACTIVITIES[name].label,
}));

/** How often a block is done. */
export const REPEAT_CHOICES: readonly Choice[] = [
  { value: 'once', label: 'once' },
  ...Object.entries(REPEATS).map(([value, label]) => ({ value, label })),
];

/** Whose figures a block is calculated with. */
export const ASSUMPTION_CHOICES: readonly Choice[] = [
  { value: 'trip', label: 'as the trip' },
  ...choicesOf(ASSUMPTIONS),
];
