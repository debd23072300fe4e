import type { StepResult } from '../documents/rehearsal.js';
import { heardOn } from '../noise/noise.js';
import type { RehearsalStep } from './steps.js';

/**
 * How a step stands: a noise check by what is in the record of what may hiss, a reading by what the plan expects of it now, all
 * others by their result.
 */
export function outcomeOf(step: RehearsalStep, results: readonly StepResult[]): StepResult['outcome'] | null {
  const heard = step.source ? heardOn(step.source) : null;
  if (heard) return heard.length === 0 ? 'ok' : 'bad';
  // Of converters an earlier release kept a result alone.
  if (step.source?.kind === 'controller') return null;
  const result = results.find((one) => one.step === step.id);
  if (!result) return null;
  return step.reading && result.value !== undefined ? outcomeOfReading(step, result.value) : result.outcome;
}

/** What came of a reading: as it should be, or not. */
export const outcomeOfReading = ({ reading }: RehearsalStep, value: number): StepResult['outcome'] =>
  reading && (value < reading.low || value > reading.high) ? 'bad' : 'ok';

/** Ready or not yet, and what is open. */
export interface Readiness {
  readonly ready: boolean;
  readonly sentence: string;
  /** Steps without a result, and those with a bad one. */
  readonly open: number;
  readonly bad: number;
}

/**
 * The verdict of the home test.
 *
 * @param stops rules of the wiring that say stop
 * @param late what should be charging by now
 * @param unchecked why the wiring could not be looked at in full; null where it was
 */
export function readiness(
  steps: readonly RehearsalStep[],
  results: readonly StepResult[],
  stops: number,
  late: readonly string[],
  unchecked: string | null = null,
): Readiness {
  const outcomes = steps.map((step) => outcomeOf(step, results));
  const open = outcomes.filter((outcome) => outcome === null).length;
  const bad = outcomes.filter((outcome) => outcome === 'bad').length;
  const things = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;
  const left = [
    ...(stops > 0 ? [`the wiring has ${things(stops, 'stop')}`] : []),
    ...(unchecked === null ? [] : ['the plan cannot be calculated, so the wiring is not checked in full']),
    ...(bad > 0 ? [`${things(bad, 'step')} went wrong`] : []),
    ...(open > 0 ? [`${things(open, 'step')} ${open === 1 ? 'is' : 'are'} open`] : []),
    ...(late.length > 0 ? [`${late.join(' and ')} should be charging by now`] : []),
  ];
  const ready = left.length === 0 && steps.length > 0;
  const sentence = ready
    ? `Ready: all ${steps.length} steps were tried and are OK.`
    : steps.length === 0
      ? 'There is nothing to rehearse yet: put a kit in the bag, in the Plan.'
      : `Not yet: ${left.join(', ')}.`;
  return { ready, sentence, open, bad };
}
