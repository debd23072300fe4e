import { resolve, type Gear, type Trip } from '@knapsack/contract';
import { leaveBehind } from '@knapsack/contract/what-if';
import { chanceOf, type Odds } from '@knapsack/core';
import type { PackingAnswer, PackingQuestion } from './pack-protocol';
import type { Work } from './work';

/** What is left of a plan without some of its gear, and how often it lasts then. */
export const packingWork: Work<PackingQuestion, PackingAnswer> = ({ trip, shelf, without }, { say }) => {
  const left = leaveBehind(trip, shelf, without);
  say({ left, odds: left.trip && oddsOf(left.trip, shelf), oddsPacked: oddsOf(trip, shelf) });
};

function oddsOf(trip: Trip, shelf: readonly Gear[]): Odds | null {
  const plan = resolve(trip, shelf);
  return plan.ok ? chanceOf(plan.value) : null;
}
