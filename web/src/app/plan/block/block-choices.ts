import { REPEATS, type RepeatWord } from '@knapsack/contract';
import { ACTIVITIES, type Assumption, ASSUMPTIONS, type Mode, MODE_NAMES, sayMode } from '@knapsack/core';
import { choicesOf, type Choice } from '../../parts/choices';

/** The choice of voice with heavy speech processing, which is no mode of its own. */
export const PROCESSED = 'SSB processed';

/** A mode, or voice with heavy processing. */
export type ModeWord = Mode | typeof PROCESSED;

const SSB_PROCESSED: Choice<ModeWord> = { value: PROCESSED, label: 'SSB, processed' };

export const MODE_CHOICES: readonly Choice<ModeWord>[] = MODE_NAMES.flatMap((mode): Choice<ModeWord>[] => [
  { value: mode, label: sayMode(mode) },
  ...(mode === 'SSB' ? [SSB_PROCESSED] : []),
]);

export const ACTIVITY_CHOICES = choicesOf(ACTIVITIES);

/** How often a block is done. */
export const REPEAT_CHOICES: readonly Choice<RepeatWord | 'once'>[] = [
  { value: 'once', label: 'once' },
  ...choicesOf(REPEATS),
];

/** Whose figures a block is calculated with. */
export const ASSUMPTION_CHOICES: readonly Choice<Assumption | 'trip'>[] = [
  { value: 'trip', label: 'as the trip' },
  ...choicesOf(ASSUMPTIONS),
];
