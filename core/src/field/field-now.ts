import type { PlanInput } from '../forecast/plan-input.js';
import { ahead, type Ahead } from './ahead.js';
import { bandOf, type Band } from './band.js';
import { follow, type FieldLog, type Followed, type FollowOptions, type ReadingOutcome } from './follow.js';
import { learnedFrom, type Learned, type LearnedName } from './learned.js';
import { currentsIn } from './predict.js';
import { totalSocs } from './follower.js';
import { sharesOf } from './weigh.js';

/** How an outing stands, by what was planned, worked, noted and read. */
export interface FieldNow {
  readonly nowMs: number;
  /** State of charge of all packs together, 0 to 1, and the charge that is in them, Ah. */
  readonly soc: Band;
  readonly ah: Band;
  /** Current into the battery, A; negative: out of it. */
  readonly netA: Band;
  /** What the loads take, and what the panel offers, A. */
  readonly loadA: number;
  readonly sunA: number;
  readonly readings: readonly ReadingOutcome[];
  readonly learned: ReadonlyMap<LearnedName, Learned>;
  /** How it goes on as planned; null at its end. */
  readonly ahead: Ahead | null;
  readonly followed: Followed;
}

/**
 * How an outing stands now and how it goes on.
 *
 * @param plan what was really worked up to now, and what is planned from then on
 * @param nowMs UTC epoch ms
 */
export function fieldNow(
  plan: PlanInput,
  log: FieldLog,
  nowMs: number,
  options: FollowOptions = {},
): FieldNow {
  const followed = follow(plan, log, nowMs, options);
  const { march } = followed;
  const { particles } = march;
  const shares = sharesOf(particles.weight);
  const band = (values: ArrayLike<number>) => bandOf(values, shares);
  const currents = Array.from(shares, (_, index) => currentsIn(march, index, 'work'));
  const ampereHours = Float64Array.from(shares, (_, index) => {
    march.take(index);
    return particles.socs.reduce((sum, soc, pack) => sum + soc[index] * march.packs[pack].storedAh, 0);
  });
  return {
    nowMs: followed.nowMs,
    soc: band(totalSocs(march)),
    ah: band(ampereHours),
    netA: band(currents.map(({ intoA }) => intoA)),
    loadA: band(currents.map(({ loadA }) => loadA)).p50,
    sunA: band(currents.map(({ sunA }) => sunA)).p50,
    readings: followed.readings,
    learned: learnedFrom(followed),
    ahead: ahead(followed, undefined, undefined, options.seed),
    followed,
  };
}
