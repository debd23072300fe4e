/// <reference lib="webworker" />
import { fieldCard } from '@knapsack/contract/card';
import { rationOf } from '@knapsack/contract/size';
import type { Answered, Asked } from '../plan/newest-worker';
import type { CardAnswer, CardQuestion } from './card-protocol';

addEventListener('message', ({ data: { number, question } }: MessageEvent<Asked<CardQuestion>>) => {
  const { trip, shelf, ration } = question;
  const say = (answer: CardAnswer, more: boolean) => {
    const answered: Answered<CardAnswer> = { number, answer, more };
    postMessage(answered);
  };
  say(fieldCard(trip, shelf, null), true);
  const found = rationOf(trip, shelf, ration);
  say(fieldCard(trip, shelf, found.ok ? found.value : null), false);
});
