// A worker thread's side of searches: the same code as in a web worker of the page.
import { parentPort } from 'node:worker_threads';
import { rationOf, KitWorker, type RationOptions, type ToKitWorker } from '@knapsack/contract/size';
import { resolve, type Gear, type Trip } from '@knapsack/contract';
import {
  chanceOf,
  tornado,
  type Chance,
  type Problem,
  type Ration,
  type Result,
  type Tornado,
} from '@knapsack/core';
import { END, READY } from './thread.js';

/** A question that one thread answers alone. */
export type LoneQuestion =
  | {
      readonly ask: 'ration';
      readonly trip: Trip;
      readonly shelf: readonly Gear[];
      readonly options: RationOptions;
    }
  | { readonly ask: 'chance'; readonly trip: Trip; readonly shelf: readonly Gear[] };

export interface ChanceFound {
  readonly chance: Chance;
  readonly tornado: Tornado;
}

export type LoneAnswer = Result<Ration> | Result<ChanceFound>;

const kits = new KitWorker();

parentPort?.on('message', (message: ToKitWorker | LoneQuestion | typeof END) => {
  if (message === END) parentPort!.close();
  else parentPort!.postMessage('ask' in message ? loneAnswer(message) : kits.answer(message));
});

parentPort?.postMessage(READY);

function loneAnswer(question: LoneQuestion): LoneAnswer {
  const { trip, shelf } = question;
  if (question.ask === 'ration') return rationOf(trip, shelf, question.options);
  const plan = resolve(trip, shelf);
  if (!plan.ok) return { ok: false, problems: plan.problems as readonly [Problem, ...Problem[]] };
  return { ok: true, value: { chance: chanceOf(plan.value), tornado: tornado(plan.value) } };
}
