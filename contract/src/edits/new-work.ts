import type { Block, Trip } from '../documents/trip.js';
import type { Radio } from '../documents/gear.js';
import { bestPoints } from '@knapsack/core';
import { usualWork, type Work } from './blocks.js';

const COMMON_POWERS_W = [0.5, 1, 2, 5, 10, 20, 50, 100, 200, 400];

/** The powers that a step up or down goes through: the radio's own list, or the common ones up to its highest. */
export function powerSteps(radio: Radio | null): readonly number[] {
  const own = radio ? bestPoints(radio.transmit).map(({ rfW }) => rfW) : [];
  if (own.length > 1) return own;
  const most = own[0] ?? 100;
  return [...new Set([...COMMON_POWERS_W.filter((watts) => watts < most), most])];
}

/** The next power up or down from one; the same where there is none. */
export function stepPower(radio: Radio | null, fromW: number, up: boolean): number {
  const steps = powerSteps(radio);
  const next = up ? steps.find((watts) => watts > fromW) : steps.findLast((watts) => watts < fromW);
  return next ?? fromW;
}

/** The share a step of 5 percent up or down, within 0 to 1. */
export const stepShare = (share: number, up: boolean): number =>
  Math.min(1, Math.max(0, Math.round((share + (up ? 0.05 : -0.05)) * 100) / 100));

/** What a new block begins with: as the selected block, as the last one, or the radio's full power in CW. */
export const workForNew = (trip: Trip | null, selected: Block | null, radio: Radio | null): Work =>
  selected ?? trip?.blocks.at(-1) ?? usualWork(powerSteps(radio).at(-1) ?? 10);
