/// <reference lib="webworker" />
import type { Gear, Trip } from '@knapsack/contract';
import { rationOf, type RationOptions } from '@knapsack/contract/size';
import type { Ration, Result } from '@knapsack/core';
import type { Answered, Asked } from '../plan/newest-worker';

export interface RationQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly options: RationOptions;
}

addEventListener('message', ({ data: { number, question } }: MessageEvent<Asked<RationQuestion>>) => {
  const { trip, shelf, options } = question;
  const answered: Answered<Result<Ration>> = { number, answer: rationOf(trip, shelf, options) };
  postMessage(answered);
});
