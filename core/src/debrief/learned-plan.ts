import type { SourcedAmps } from '../load/assumption.js';
import { timesDraw } from '../load/draw.js';
import type { Mode } from '../load/mode.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { withBlocks } from '../field/ahead.js';
import type { Learned, LearnedName } from '../field/learned.js';

/** What an outing taught, by name. */
export type Lessons = ReadonlyMap<LearnedName, Learned>;

/** What was learned of something as a factor on what was assumed; 1 where nothing is known. */
export function learnedFactor(lessons: Lessons, name: LearnedName): number {
  const learned = lessons.get(name);
  return learned && learned.before.mean > 0 ? learned.after.mean / learned.before.mean : 1;
}

/** A plan with the transmit duty cycle of each mode as it was learned. */
export const withLearnedDuty = (plan: PlanInput, lessons: Lessons): PlanInput =>
  withBlocks(plan, (block) => ({
    ...block,
    share: Math.min(1, block.share * (block.mode ? learnedFactor(lessons, dutyName(block.mode)) : 1)),
  }));

const dutyName = (mode: Mode): LearnedName => `dutyCycle.${mode}`;

const times =
  (factor: number) =>
  <Figure extends SourcedAmps>(figure: Figure): Figure => ({
    ...figure,
    amps: factor * figure.amps,
  });

/** A plan with the first radio's receive current as it was learned. */
export function withLearnedReceive(plan: PlanInput, lessons: Lessons): PlanInput {
  const change = times(learnedFactor(lessons, 'receive'));
  const { receive, receiveByEar } = plan.radio.figures;
  const figures = {
    ...plan.radio.figures,
    receive: receive.map(change),
    ...(receiveByEar && { receiveByEar: receiveByEar.map(change) }),
  };
  return { ...plan, radio: { ...plan.radio, figures } };
}

/** A plan with the first radio's key-down currents as they were learned. */
export function withLearnedKeyDown(plan: PlanInput, lessons: Lessons): PlanInput {
  const transmit = plan.radio.figures.transmit.map(times(learnedFactor(lessons, 'keyDown')));
  return { ...plan, radio: { ...plan.radio, figures: { ...plan.radio.figures, transmit } } };
}

/**
 * A plan with the accessories' currents as they were learned.
 *
 * @param factors on what each was assumed to take, in the order of the plan
 */
export const withLearnedAccessories = (plan: PlanInput, factors: readonly number[]): PlanInput => ({
  ...plan,
  accessories: plan.accessories.map((load, index) => ({
    ...load,
    pieces: load.pieces.map((piece) => ({
      ...piece,
      mean: timesDraw(piece.mean, factors[index]),
      keyDown: timesDraw(piece.keyDown, factors[index]),
      ...(piece.inOvers && { inOvers: timesDraw(piece.inOvers, factors[index]) }),
    })),
  })),
});
