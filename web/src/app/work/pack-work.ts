import { resolve, type Gear, type Trip } from '@knapsack/contract';
import { leaveBehind } from '@knapsack/contract/what-if';
import { chanceInParts, type InParts, type Odds } from '@knapsack/core';
import type { PackingAnswer, PackingQuestion } from './pack-protocol';
import { whileNewest, type Work } from './work';

/** What is left of a plan without some of its gear, and how often it lasts then. */
export const packingWork: Work<PackingQuestion, PackingAnswer> = async (question, { say, isNewest }) => {
  const answer = await whileNewest(answerInParts(question), isNewest);
  if (answer.isDone) say(answer.is);
};

function* answerInParts({ trip, shelf, without }: PackingQuestion): InParts<PackingAnswer> {
  const left = leaveBehind(trip, shelf, without);
  const odds = left.trip && (yield* oddsInParts(left.trip, shelf));
  return { left, odds, oddsPacked: yield* oddsInParts(trip, shelf) };
}

function* oddsInParts(trip: Trip, shelf: readonly Gear[]): InParts<Odds | null> {
  const plan = resolve(trip, shelf);
  return plan.ok ? yield* chanceInParts(plan.value) : null;
}
