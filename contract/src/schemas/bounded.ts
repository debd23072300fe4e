import type { Problem } from '@knapsack/core';

/** Levels of lists and objects in each other; documents have fewer than a dozen. */
export const MOST_LEVELS = 32;
/** Values in all; a trip of a month with hourly weather has some ten thousand. */
export const MOST_VALUES = 500_000;

/**
 * Why something that came from outside is not to be walked: nested too deep, too large, or with a field that would change what
 * an object is. Looks level by level, without recursion, so that nothing from outside can end the stack.
 *
 * @param most values in all
 */
export function unboundedProblem(data: unknown, most = MOST_VALUES): Problem | null {
  let level: unknown[] = [data];
  let values = 0;
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MOST_LEVELS) {
      return {
        code: 'too-deep',
        pointer: '',
        sentence: `Lists and objects may lie in each other ${MOST_LEVELS} levels deep at the most.`,
      };
    }
    const below: unknown[] = [];
    for (const value of level) {
      if (typeof value !== 'object' || value === null) continue;
      if (Object.hasOwn(value, '__proto__')) {
        return { code: 'object-unknown', pointer: '', sentence: 'There is no field “__proto__” here.' };
      }
      const inside: readonly unknown[] = Array.isArray(value) ? value : Object.values(value);
      values += inside.length;
      if (values > most) {
        return {
          code: 'too-many',
          pointer: '',
          sentence: `A document may hold ${most} values at the most.`,
        };
      }
      for (const one of inside) below.push(one);
    }
    level = below;
  }
  return null;
}
