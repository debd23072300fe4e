import {
  fail,
  localHour,
  ration,
  singleSetting,
  succeed,
  type Ration,
  type RationHour,
  type RationWorth,
  type Result,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import { isAttended, type Block, type Trip } from '../documents/trip.js';
import { expandBlocks, positionOf } from '../resolve/expand-blocks.js';
import { resolve } from '../resolve/resolve.js';
import { stepFor } from './size-space.js';

/** Hours of the day that count otherwise: from a local hour up to another, over midnight where that is smaller. */
export interface WorthOfHours {
  readonly fromHour: number;
  readonly toHour: number;
  readonly worth: number;
}

/** What a ration is asked. */
export interface RationOptions {
  /** Chance to keep above the reserve that is asked for, above 0 and below 1. */
  readonly chance: number;
  /** How much more an hour is worth with twice the power, as a share. */
  readonly doubling: number;
  /** Share on transmit that no hour of work goes under; 0 lets the radio rest. */
  readonly leastShare: number;
  /** More power, or a larger share, than was planned may be used. */
  readonly morePower?: boolean;
  readonly moreShare?: boolean;
  readonly hours: readonly WorthOfHours[];
}

export const USUAL_RATION_OPTIONS: RationOptions = {
  chance: 0.9,
  doubling: 0.3,
  leastShare: 0,
  hours: [{ fromHour: 18, toHour: 22, worth: 2 }],
};

/** Whether a chance can be asked for. */
export const isChance = (chance: number): boolean => chance > 0 && chance < 1;

export const NO_CHANCE: Result<never> = fail({
  code: 'chance',
  pointer: '/chance',
  sentence: 'Nothing is certain outdoors: ask for a chance above 0 and below 100 %, say 90 %.',
});

/** The ration of a trip: how to spend its kit's energy best; a sentence where there is nothing to spend it on. */
export function rationOf(trip: Trip, shelf: readonly Gear[], options: RationOptions): Result<Ration> {
  if (!isChance(options.chance)) return NO_CHANCE;
  const plan = resolve({ ...trip, stepMinutes: stepFor(trip) }, shelf);
  if (!plan.ok) return plan;
  if (plan.value.blocks.length === 0) {
    return fail({
      code: 'no-blocks',
      pointer: '/blocks',
      sentence: 'There are no hours of work to share out. Draw a block in the work lane.',
    });
  }
  const worth = worthOf(options, trip.place.timeZone);
  return succeed((isAttended(trip) ? ration : singleSetting)(plan.value, worth, options.chance));
}

/** What the hours of a place count. */
export function worthOf(
  { doubling, leastShare, morePower = false, moreShare = false, hours }: RationOptions,
  zone: string,
): RationWorth {
  return {
    doubling,
    leastShare,
    morePower,
    moreShare,
    worthAt: (timeMs) => {
      const hour = localHour(timeMs, zone);
      const counts = hours.find(({ fromHour, toHour }) =>
        fromHour <= toHour ? fromHour <= hour && hour < toHour : hour >= fromHour || hour < toHour,
      );
      return counts?.worth ?? 1;
    },
  };
}

/** A stretch of the ration with one power and share. */
export interface RationStretch {
  readonly startMs: number;
  readonly endMs: number;
  /** Null: the radio is off. */
  readonly choice: RationHour['proposed'];
  readonly block: number;
}

/** The ration as a lane shows it: hours of the same block with the same power and share as one. */
export function rationStretches({ hours }: Ration): readonly RationStretch[] {
  const stretches: RationStretch[] = [];
  for (const { startMs, endMs, block, proposed: choice } of hours) {
    if (block === -1) continue;
    const last = stretches.at(-1);
    const same =
      last?.block === block &&
      last.endMs === startMs &&
      last.choice?.powerW === choice?.powerW &&
      last.choice?.share === choice?.share;
    if (same) stretches[stretches.length - 1] = { ...last, endMs };
    else stretches.push({ startMs, endMs, choice, block });
  }
  return stretches;
}

/** The trip with its first operating position's blocks as the ration has them; hours in which the radio rests are left out. */
export function withRation(trip: Trip, found: Ration): Trip {
  const worked = expandBlocks(trip).filter(({ block }) => positionOf(block) === 1);
  const iso = (timeMs: number) => new Date(timeMs).toISOString();
  const blocks = rationStretches(found).flatMap(({ startMs, endMs, choice, block }, index): Block[] => {
    const from = worked[block]?.block;
    if (!choice || !from) return [];
    const { repeat: _repeat, ...rest } = from;
    const id = `${from.id}-r${index}`.slice(0, LONGEST_ID);
    return [
      { ...rest, id, start: iso(startMs), end: iso(endMs), powerW: choice.powerW, share: choice.share },
    ];
  });
  return { ...trip, blocks: [...blocks, ...trip.blocks.filter((block) => positionOf(block) !== 1)] };
}

const LONGEST_ID = 40;
