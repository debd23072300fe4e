import type { Finding } from '../forecast/finding.js';
import type { Blaze } from '../forecast/verdict.js';
import type { Chance, Odds } from './chance.js';

/** How a plan stands: fine, a check, a stop; still being sampled; or not to be said, since something is missing. */
export type PlanMark = Blaze | 'calculating' | 'unknown';

/** From the target chance up fine, from an even chance up a look, below it a stop. Source: convention of this project. */
const LOOK_FROM = 0.5;

export const chanceMark = ({ chance }: Pick<Odds, 'chance'>, target: number): Blaze =>
  chance >= target ? 'fine' : chance >= LOOK_FROM ? 'look' : 'stop';

/** Findings about energy or volts that come from the forecast itself; other looks colour the room that they belong to. */
const ENERGY_OR_VOLTS: ReadonlySet<string> = new Set([
  ...['key-down-cutoff', 'full-power', 'wake-up', 'no-sun', 'below-reserve'],
]);

const WORST: readonly Blaze[] = ['stop', 'look', 'fine'];

/**
 * The mark of a plan: the worst of its chance's mark, of any stop, and of any look about energy or volts.
 *
 * @param chance null while nothing is known of it
 */
export function planMark(
  { findings }: { readonly findings: readonly Finding[] },
  chance: Chance | null,
): PlanMark {
  if (findings.some(({ severity }) => severity === 'stop')) return 'stop';
  if (!chance || chance.stopped === 'not yet') return 'calculating';
  const looks = findings.some(({ severity, code }) => severity === 'look' && ENERGY_OR_VOLTS.has(code));
  const marks = [chanceMark(chance, chance.target), looks ? 'look' : 'fine'];
  return WORST.find((mark) => marks.includes(mark))!;
}

/** Whether a chance is within one standard error of its target, when all samples have been taken. */
export const isBorderline = ({ chance, target, standardError, stopped }: Chance): boolean =>
  stopped === 'limit' && Math.abs(chance - target) <= standardError;
