import type { FieldName } from '@knapsack/contract';
import { BUILD_RULE } from '@knapsack/contract/requirements';
import { RULES, type KitLimits } from '@knapsack/core';

export type NumberLimit = Exclude<keyof KitLimits, 'proof'>;

export const LIMITS: readonly {
  readonly name: NumberLimit;
  readonly field: FieldName;
  readonly words: string;
}[] = [
  { name: 'grams', field: 'carryLimitG', words: 'up to' },
  { name: 'price', field: 'price', words: 'budget' },
  { name: 'litres', field: 'packedL', words: 'packed' },
  { name: 'pieces', field: 'count', words: 'pieces' },
];

/** Rules without which a larger kit would have been allowed; the others tell of parts that do not go together. */
const BINDING: ReadonlySet<string> = new Set([
  'too heavy',
  'too expensive',
  'too large',
  'too many pieces',
  'not proof',
  'noisy',
  'noise not measured',
  RULES.peak.title,
  RULES.continuous.title,
]);

/** What the next build must do binds as a limit does. */
export const binds = (rule: string): boolean => BINDING.has(rule) || rule.startsWith(BUILD_RULE);
