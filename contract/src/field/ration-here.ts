import { fail, ration, succeed, type Ration, type Result } from '@knapsack/core';
import { isAttended, type Trip } from '../documents/trip.js';
import { isChance, NO_CHANCE, worthOf, type RationOptions } from '../size/ration-trip.js';
import type { WhatNow } from './what-now.js';

/** How to spend what is left of an outing under way best, by the outings that agree with what was read. */
export function rationFromHere(trip: Trip, { ahead }: WhatNow, options: RationOptions): Result<Ration> {
  if (!isChance(options.chance)) return NO_CHANCE;
  if (!isAttended(trip)) {
    return fail({
      code: 'unattended',
      sentence: 'Nobody is there to follow a table: the setting stays as it is.',
    });
  }
  if (!ahead || ahead.plan.blocks.length === 0) {
    return fail({ code: 'no-blocks', sentence: 'No hours of work are left to share out.' });
  }
  const worth = worthOf(options, trip.place.timeZone);
  return succeed(ration(ahead.plan, worth, options.chance, undefined, ahead.law));
}
