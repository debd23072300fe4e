import { fieldCard } from '@knapsack/contract/card';
import { rationOf } from '@knapsack/contract/size';
import type { CardAnswer, CardQuestion } from './card-protocol';
import type { Work } from './work';

/** The card at once, and again with its ration. */
export const cardWork: Work<CardQuestion, CardAnswer> = ({ trip, shelf, ration }, { say }) => {
  say(fieldCard(trip, shelf, null), true);
  const found = rationOf(trip, shelf, ration);
  say(fieldCard(trip, shelf, found.ok ? found.value : null));
};
