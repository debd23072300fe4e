import { follow } from '../field/follow.js';
import { totalSocs } from '../field/follower.js';
import { play } from '../field/play.js';
import { sharesOf } from '../field/weigh.js';
import { FIELD_ACTS, FIELD_NOW_MS, fieldPlan, otherOuting } from './field-outings.js';

/** Share of the weight that lies below the truth, outing by outing. */
export type Ranks = ReadonlyMap<string, readonly number[]>;

function rankOf(values: Float64Array, weight: Float64Array, truth: number): number {
  const shares = sharesOf(weight);
  return values.reduce((sum, value, index) => sum + (value < truth ? shares[index] : 0), 0);
}

/** Ranks of what was estimated in outings of the product's own law. Source: Talts and others (2018), arXiv 1804.06788. */
export function ownRanks(outings: number): Ranks {
  const ranks = new Map<string, number[]>();
  for (let seed = 0; seed < outings; seed++) {
    const { log, march: truth } = play(fieldPlan(), FIELD_ACTS, FIELD_NOW_MS, seed);
    const { march } = follow(fieldPlan(), log, FIELD_NOW_MS, { seed });
    const { particles } = march;
    const rank = (name: string, values: Float64Array, real: number) =>
      ranks.set(name, [...(ranks.get(name) ?? []), rankOf(values, particles.weight, real)]);
    rank('state of charge', totalSocs(march), totalSocs(truth)[0]);
    rank('habit of transmitting', particles.habit, truth.particles.habit[0]);
    rank('output against label', particles.truth, truth.particles.truth[0]);
    rank('capacity', particles.capacity, truth.particles.capacity[0]);
    rank('resistance', particles.resistance, truth.particles.resistance[0]);
    rank('receive current', particles.receive[0], truth.particles.receive[0][0]);
    rank('key-down current', particles.keyDown[0], truth.particles.keyDown[0][0]);
  }
  return ranks;
}

/** Ranks of the state of charge in outings of another make. */
export const otherRanks = (outings: number): readonly number[] =>
  Array.from({ length: outings }, (_, seed) => {
    const { plan, log, soc } = otherOuting(500 + seed);
    const { march } = follow(plan, log, FIELD_NOW_MS, { seed });
    return rankOf(totalSocs(march), march.particles.weight, soc);
  });

/** How often the middle 80 % held the truth, 0 to 1. */
export const heldIn80 = (ranks: readonly number[]): number =>
  ranks.filter((rank) => rank > 0.1 && rank < 0.9).length / ranks.length;

/** Chi squared of ten bins of ranks that should be flat; above 27.9 only once in a thousand. */
export function unevenness(ranks: readonly number[]): number {
  const bins = new Array<number>(10).fill(0);
  for (const rank of ranks) bins[Math.min(9, Math.floor(10 * rank))] += 1;
  const even = ranks.length / 10;
  return bins.reduce((sum, bin) => sum + (bin - even) ** 2 / even, 0);
}
