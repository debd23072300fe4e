import type { SourcedAmps } from '../load/assumption.js';
import { timesDraw } from '../load/draw.js';
import type { Mode } from '../load/mode.js';
import { positionsOf, type PlanInput, type PlannedRadio } from '../forecast/plan-input.js';
import { withBlocks } from '../field/ahead.js';
import { learnedAt, type Learned, type LearnedName } from '../field/learned.js';

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

type Figures = PlannedRadio['figures'];

/** A plan with other figures of its radios, by position from 0. */
function withFigures(plan: PlanInput, change: (figures: Figures, position: number) => Figures): PlanInput {
  const [first, ...others] = positionsOf(plan).map((one, position) => ({
    ...one,
    radio: { ...one.radio, figures: change(one.radio.figures, position) },
  }));
  return { ...plan, radio: first.radio, ...(plan.others && { others }) };
}

/** A plan with the radios' receive currents as they were learned. */
export const withLearnedReceive = (plan: PlanInput, lessons: Lessons): PlanInput =>
  withFigures(plan, (figures, position) => {
    const change = times(learnedFactor(lessons, learnedAt('receive', position)));
    const { receive, receiveByEar } = figures;
    return {
      ...figures,
      receive: receive.map(change),
      ...(receiveByEar && { receiveByEar: receiveByEar.map(change) }),
    };
  });

/** A plan with the radios' key-down currents as they were learned. */
export const withLearnedKeyDown = (plan: PlanInput, lessons: Lessons): PlanInput =>
  withFigures(plan, (figures, position) => ({
    ...figures,
    transmit: figures.transmit.map(times(learnedFactor(lessons, learnedAt('keyDown', position)))),
  }));

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
