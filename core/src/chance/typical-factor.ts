import type { Chance } from './chance.js';
import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';

/** Near enough: half a point of the state of charge, or of the availability. */
const NEAR_SOC = 0.005;
const MOST_FACTOR = 2;
const HALVINGS = 9;

/**
 * By how much the clouds of the typical sky have to be moved, all of them alike, so that the lowest charge of its march is the
 * median lowest charge of the samples. Found by halving, to half a point; 1 without a panel, where it is near enough already, and
 * where no sky would do it, as when the charge is lowest before the sun has any part in it.
 * Of gear that comes back by itself and is down at times, its availability is fitted instead.
 * Source: convention of this project, docs/model.md.
 *
 * @param median of the samples: of their lowest charge and of their availability, 0 to 1
 */
export function typicalFactor(
  plan: PlanInput,
  median: Pick<Chance, 'medianLowestSoc' | 'availability'>,
): number {
  if (!plan.sun || !plan.outlook) return 1;
  const { medianLowestSoc, availability } = median;
  const above = (factor: number) => {
    const { verdict } = forecast(plan, factor);
    // Availability says nothing while it is full: then the charge is fitted.
    return verdict.availability && availability && availability.p50 < 1
      ? verdict.availability.share - availability.p50
      : verdict.lowestSoc - medianLowestSoc;
  };
  const asIs = above(1);
  if (Math.abs(asIs) <= NEAR_SOC) return 1;
  let [bright, dull] = asIs > 0 ? [1, MOST_FACTOR] : [0, 1];
  if (asIs > 0 ? above(dull) > NEAR_SOC : above(bright) < -NEAR_SOC) return 1;
  for (let halving = 0; halving < HALVINGS; halving++) {
    const middle = (bright + dull) / 2;
    const off = above(middle);
    if (Math.abs(off) <= NEAR_SOC) return middle;
    if (off > 0) bright = middle;
    else dull = middle;
  }
  return (bright + dull) / 2;
}
