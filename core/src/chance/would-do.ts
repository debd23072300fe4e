import type { PlanInput } from '../forecast/plan-input.js';
import { atOnce, type InParts } from '../in-parts.js';
import { chanceInParts } from './chance.js';

/** Batteries are tried up to this size, or ten times the present one if that is more, Ah. */
export const MAX_TRIED_AH = 1000;
const MAX_TIMES_LARGER = 10;

/**
 * The smallest battery of the plan's own kind that meets its target chance on the same samples, whole Ah, with the same charge at
 * the start, its resistances and limits in proportion; null where none up to 1,000 Ah, or ten times as large, does, as where the volts on a
 * thin cable end it. Of packs used one after the other nothing is said (undefined). Source: convention of this project, docs/model.md.
 */
export const batteryThatWouldDo = (plan: PlanInput): number | null | undefined =>
  atOnce(batteryThatWouldDoInParts(plan));

/** The same, a few samples of a battery a part. */
export function* batteryThatWouldDoInParts(plan: PlanInput): InParts<number | null | undefined> {
  const [{ label }, second] = plan.packs;
  if (second) return undefined;
  let low = Math.floor(label.ratedAh);
  let high = Math.max(MAX_TRIED_AH, Math.ceil(label.ratedAh * MAX_TIMES_LARGER));
  if (!(yield* meets(plan, high))) return null;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (yield* meets(plan, middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Whether a plan meets its target chance with a battery of another size. */
function* meets(plan: PlanInput, ratedAh: number): InParts<boolean> {
  const [pack] = plan.packs;
  const { label } = pack;
  const times = ratedAh / label.ratedAh;
  const scaled = {
    ...label,
    ratedAh,
    ...(label.ohmicOhm !== undefined && { ohmicOhm: label.ohmicOhm / times }),
    ...(label.maxChargeA !== undefined && { maxChargeA: label.maxChargeA * times }),
  };
  const { chance, target } = yield* chanceInParts({ ...plan, packs: [{ ...pack, label: scaled }] });
  return chance >= target;
}
