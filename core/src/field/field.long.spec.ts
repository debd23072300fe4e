import { fieldPlan, FIELD_ACTS, FIELD_NOW_MS, otherOuting } from '../testing/field-outings.js';
import { follow } from './follow.js';
import { totalSocs } from './follower.js';
import { play } from './play.js';
import { sharesOf } from './weigh.js';

/** `npm run calibrate` does the same with 300 outings. Two standard errors of so few. */
const OUTINGS = 40;
const WITHIN = 0.13;

/** Share of the weight that lies below the truth. */
function rankOf(values: Float64Array, weight: Float64Array, truth: number): number {
  const shares = sharesOf(weight);
  return values.reduce((sum, value, index) => sum + (value < truth ? shares[index] : 0), 0);
}

const inside = (ranks: readonly number[]) =>
  ranks.filter((rank) => rank > 0.1 && rank < 0.9).length / ranks.length;

describe('an estimate', () => {
  it('holds the truth as often as it says, in outings of its own law: the charge and what it learns', () => {
    const ranks = new Map<string, number[]>();
    for (let seed = 0; seed < OUTINGS; seed++) {
      const { log, march: truth } = play(fieldPlan(), FIELD_ACTS, FIELD_NOW_MS, seed);
      const { march } = follow(fieldPlan(), log, FIELD_NOW_MS, { seed });
      const { particles } = march;
      const rank = (name: string, values: Float64Array, real: number) =>
        ranks.set(name, [...(ranks.get(name) ?? []), rankOf(values, particles.weight, real)]);
      rank('soc', totalSocs(march), totalSocs(truth)[0]);
      for (const name of ['habit', 'truth', 'capacity'] as const) {
        rank(name, particles[name], truth.particles[name][0]);
      }
      rank('receive', particles.receive[0], truth.particles.receive[0][0]);
    }
    const all = [...ranks.values()].flat();
    expect(Math.abs(inside(all) - 0.8)).toBeLessThanOrEqual(0.06);
    for (const [name, each] of ranks) {
      expect(Math.abs(inside(each) - 0.8))
        .withContext(name)
        .toBeLessThanOrEqual(WITHIN);
    }
  });

  it('holds the charge of outings of another make seven to nine times of ten', () => {
    const ranks = Array.from({ length: OUTINGS }, (_, seed) => {
      const { plan, log, soc } = otherOuting(500 + seed);
      const { march } = follow(plan, log, FIELD_NOW_MS, { seed });
      return rankOf(totalSocs(march), march.particles.weight, soc);
    });
    expect(Math.abs(inside(ranks) - 0.8)).toBeLessThanOrEqual(0.1 + WITHIN / 2);
  });
});
