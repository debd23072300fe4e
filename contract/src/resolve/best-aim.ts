import { bestFixedAim, type Span, type SunPlan } from '@knapsack/core';
import type { AimChoice } from '../documents/sun.js';

/** How finely a panel is propped by hand, degrees. */
const BY_HAND_DEG = 5;

/** The best fixed aim over an outing as one props a panel by hand; null where the sun does not rise. */
export function bestAim(sun: SunPlan, outing: Span): Extract<AimChoice, { how: 'fixed' }> | null {
  const best = bestFixedAim(sun, outing);
  const byHand = (degrees: number) => Math.round(degrees / BY_HAND_DEG) * BY_HAND_DEG;
  return best && { how: 'fixed', tiltDeg: byHand(best.tiltDeg), azimuthDeg: byHand(best.azimuthDeg) % 360 };
}
