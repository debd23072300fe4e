/// <reference lib="webworker" />
import { resolve, type Gear, type Trip } from '@knapsack/contract';
import { leaveBehind } from '@knapsack/contract/what-if';
import { chanceOf, type Odds } from '@knapsack/core';
import type { Answered, Asked } from '../plan/newest-worker';
import type { PackAnswer, PackQuestion } from './pack-protocol';

addEventListener('message', ({ data: { number, question } }: MessageEvent<Asked<PackQuestion>>) => {
  const { trip, shelf, without } = question;
  const left = leaveBehind(trip, shelf, without);
  const answered: Answered<PackAnswer> = {
    number,
    answer: { left, odds: left.trip && oddsOf(left.trip, shelf), oddsPacked: oddsOf(trip, shelf) },
  };
  postMessage(answered);
});

function oddsOf(trip: Trip, shelf: readonly Gear[]): Odds | null {
  const plan = resolve(trip, shelf);
  return plan.ok ? chanceOf(plan.value) : null;
}
