import { chargeBetween, forecast, HOUR_MS, type PlanInput } from '@knapsack/core';
import type { WhatNow } from '../field/what-now.js';

/** How an outing ended: with all its hours worked, because nothing was left, because somebody chose to leave; or nobody said. */
export type CameTrue = 'lasted' | 'endedEarly' | 'leftEarly' | 'notKnown';

export interface Ended {
  readonly came: CameTrue;
  /** How much sooner it ended than was planned, h; 0 where it did not. */
  readonly earlyHours: number;
}

/** Sooner than by so much it was not worked to its end. */
const EARLY_MS = HOUR_MS / 4;
/** What was entered so long before its end tells how it ended. */
const UP_TO_THE_END_MS = HOUR_MS;

/**
 * How an outing ended. One that was called off ended early where what was left would not have carried the rest of the plan. Source:
 * convention of this project, docs/model.md.
 *
 * @param lasted how likely the loads were carried to where it ended, 0 to 1
 * @param lastKnownMs up to when something is known, UTC epoch ms
 */
export function endedOf(planned: PlanInput, now: WhatNow, lasted: number, lastKnownMs: number): Ended {
  const untilMs = now.plan.outing.endMs;
  const earlyMs = planned.outing.endMs - untilMs;
  if (earlyMs <= EARLY_MS) {
    if (now.nowMs - lastKnownMs >= UP_TO_THE_END_MS) return { came: 'notKnown', earlyHours: 0 };
    return { came: lasted > 0.5 ? 'lasted' : 'endedEarly', earlyHours: 0 };
  }
  const { edgesMs, wantedA } = forecast(planned).march;
  const restAh = chargeBetween(edgesMs, wantedA, untilMs, planned.outing.endMs);
  const [{ reserveSoc }] = planned.packs;
  const storedAh = planned.packs.reduce((sum, { label }) => sum + label.ratedAh * label.health, 0);
  const leftAh = (now.soc.p50 - reserveSoc) * storedAh;
  return { came: leftAh < restAh ? 'endedEarly' : 'leftEarly', earlyHours: earlyMs / HOUR_MS };
}
