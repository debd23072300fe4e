import { FURTHEST } from '../chance/sample.js';
import { sampledShare } from '../chance/sampled-load.js';
import { weightedMean, sharesOf, type MeanAndSpread } from '../field/weigh.js';
import type { Followed } from '../field/follow.js';
import { taughtBefore, type Learned } from '../field/learned.js';
import type { ActivityName } from '../load/activity.js';
import { positionsOf } from '../forecast/plan-input.js';
import type { Mode } from '../load/mode.js';

/** What an outing taught of how much an operator transmits, 0 to 1: not what came in its hours, but what is to be expected in the next. */
export interface LearnedDuty extends Learned {
  /** Whose: the radio at that position, from 0. */
  readonly position: number;
  readonly mode: Mode;
  readonly activity: ActivityName;
  /** What was planned, 0 to 1. */
  readonly planned: number;
}

/** Steps of a sum over a normal law. */
const STEPS = 120;

/**
 * The operator's habit by radio, by what was done and how much of it was planned to be on transmit: what each block had of its own
 * does not last.
 */
export function learnedDuties({ march: { law, particles, edge } }: Followed): readonly LearnedDuty[] {
  const shares = sharesOf(particles.weight);
  const duties: LearnedDuty[] = [];
  const blocks = positionsOf(law.plan).flatMap((position) => position.blocks);
  blocks.forEach(({ mode, activity, share: planned, shareFrom }, index) => {
    const sampled = law.load.blocks[index];
    const { position } = sampled;
    const isKnown = duties.some(
      (duty) =>
        duty.position === position &&
        duty.mode === mode &&
        duty.activity === activity &&
        duty.planned === planned,
    );
    if (!mode || !activity || isKnown || sampled.fromStep >= edge) return;
    const shareOf = (habit: number) => sampledShare(sampled, habit, 0);
    const before = overNormal(shareOf);
    const after = weightedMean(Float64Array.from(particles.habit, shareOf), shares);
    // The law's mean is what was planned; its middle, where a block has nothing of its own, lies a little beside it.
    const beside = planned - before.mean;
    duties.push({
      ...{ position, mode, activity, planned },
      before: { mean: planned, sd: before.sd },
      after: { mean: Math.min(1, Math.max(0, after.mean + beside)), sd: after.sd },
      ...taughtBefore(shareFrom),
    });
  });
  return duties;
}

function overNormal(valueOf: (deviation: number) => number): MeanAndSpread {
  const deviations = Float64Array.from(
    { length: STEPS },
    (_, step) => FURTHEST * ((2 * step + 1) / STEPS - 1),
  );
  const weights = deviations.map((deviation) => Math.exp(-(deviation ** 2) / 2));
  const sum = weights.reduce((all, weight) => all + weight, 0);
  return weightedMean(
    deviations.map(valueOf),
    weights.map((weight) => weight / sum),
  );
}
