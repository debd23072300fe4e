/// <reference lib="webworker" />
import { fieldCard } from '@knapsack/contract/card';
import { rationOf } from '@knapsack/contract/size';
import type { Answered, Asked } from '../plan/newest-worker';
import type { CardAnswer, CardQuestion } from './card-protocol';

/** The family of the page, for the words in the wiring. */
const FONT = "'Atkinson Hyperlegible Next Variable', sans-serif";

addEventListener('message', ({ data: { number, question } }: MessageEvent<Asked<CardQuestion>>) => {
  const { trip, shelf, ration } = question;
  const say = (answer: CardAnswer, more: boolean) => {
    const answered: Answered<CardAnswer> = { number, answer, more };
    postMessage(answered);
  };
  say(fieldCard(trip, shelf, null, FONT), true);
  const found = rationOf(trip, shelf, ration);
  say(fieldCard(trip, shelf, found.ok ? found.value : null, FONT), false);
});
