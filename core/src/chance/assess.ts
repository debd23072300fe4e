import { forecast, type Forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { atOnce, type InParts } from '../in-parts.js';
import { chanceInParts, type Chance } from './chance.js';
import { planMark, type PlanMark } from './plan-mark.js';
import { typicalFactor } from './typical-factor.js';
import { batteryThatWouldDoInParts } from './would-do.js';

/** All that is said of a plan: its chance, its mark, the march of its typical outing. */
export interface Assessment {
  readonly chance: Chance;
  readonly mark: PlanMark;
  readonly run: Forecast;
  /** By how much the typical sky was moved (see typicalFactor). */
  readonly skyFactor: number;
  /** Below the target: the smallest battery of this kind that would do, Ah, or null where none would; absent from the target up and where packs are used one after the other. */
  readonly wouldDoAh?: number | null;
}

/** A plan looked at in full, the same in every room, in the terminal and on the card. */
export const assess = (plan: PlanInput): Assessment => atOnce(assessInParts(plan));

/** The same, a few samples a part. */
export function* assessInParts(plan: PlanInput): InParts<Assessment> {
  return yield* assessedInParts(plan, yield* chanceInParts(plan));
}

/** The same where its samples are known already. */
export const assessed = (plan: PlanInput, chance: Chance): Assessment =>
  atOnce(assessedInParts(plan, chance));

function* assessedInParts(plan: PlanInput, chance: Chance): InParts<Assessment> {
  const skyFactor = typicalFactor(plan, chance);
  const run = forecast(plan, skyFactor);
  const wouldDoAh = chance.chance < chance.target ? yield* batteryThatWouldDoInParts(plan) : undefined;
  return {
    chance,
    mark: planMark(run.verdict, chance),
    run,
    skyFactor,
    ...(wouldDoAh !== undefined && { wouldDoAh }),
  };
}
