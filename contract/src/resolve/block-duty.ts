import { usualShare, type Trust } from '@knapsack/core';
import { trustOf } from '../documents/figure.js';
import type { Radio } from '../documents/gear.js';
import type { Block } from '../documents/trip.js';

/** Shares that are the same to the per cent. */
const SAME = 0.005;

/** The transmit duty cycle that a block is calculated with. */
export interface BlockDuty {
  /** 0 to 1. */
  readonly share: number;
  /** Where it was learned; somebody's word if absent. */
  readonly from?: Trust;
}

/**
 * The transmit duty cycle of a block on a radio: as it is planned, or what outings with this radio have taught, where the plan says no
 * more than what is usual, or what was planned when it was learned. Source: convention of this project, docs/model.md.
 */
export function blockDuty(
  { mode, activity, share }: Pick<Block, 'mode' | 'activity' | 'share'>,
  radio: Pick<Radio, 'duty'> | null,
): BlockDuty {
  const learned = radio?.duty?.find((duty) => duty.mode === mode && duty.activity === activity);
  const means = (planned: number) => Math.abs(planned - share) < SAME;
  return learned && (means(learned.instead) || means(usualShare(activity, mode)))
    ? { share: learned.value, from: trustOf(learned) }
    : { share };
}
