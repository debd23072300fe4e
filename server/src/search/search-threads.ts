import { availableParallelism } from 'node:os';
import { KitHunt, type HuntState, type RationOptions, type SizeQuestion } from '@knapsack/contract/size';
import type { Gear, Trip } from '@knapsack/contract';
import { fail, succeed, type Ration, type Result } from '@knapsack/core';
import type { ChanceFound, LoneAnswer, LoneQuestion } from './search-worker.js';
import { hireThread, type Thread } from './thread.js';

const MOST_THREADS = 8;
/** Threads of a search: one for each core. */
export const THREADS = Math.max(1, Math.min(MOST_THREADS, availableParallelism()));

const STOPPED = {
  code: 'worker',
  sentence: 'The search stopped by a fault in Knapsack, more than once. Nothing was changed; try again.',
} as const;

/** How a search is watched and stopped. */
export interface Watch {
  /** As it goes along. */
  readonly progress?: (state: HuntState) => void;
  readonly signal?: AbortSignal;
}

/**
 * Searches a shelf on threads of the machine's cores. It is over once they have gone: else searches that are cancelled faster
 * than threads load would pile them up.
 */
export function searchShelf(
  question: SizeQuestion,
  { progress, signal }: Watch = {},
): Promise<Result<HuntState>> {
  const threads: Thread[] = [];
  const searched = new Promise<Result<HuntState>>((resolve, reject) => {
    const hire: typeof hireThread = (answered, died) => {
      const thread = hireThread(answered, died);
      threads.push(thread);
      return thread;
    };
    const hunt = new KitHunt(hire, THREADS, {
      changed: (state) => {
        progress?.(state);
        if (state.finished) end(succeed(state));
      },
      refused: (problems) => end(fail(...problems)),
      failed: () => end(fail(STOPPED)),
      explained: () => undefined,
      plans: () => undefined,
    });
    const end = (result: Result<HuntState>) => {
      signal?.removeEventListener('abort', abort);
      hunt.dismiss();
      resolve(result);
    };
    const abort = () => {
      hunt.dismiss();
      reject(signal?.reason as Error);
    };
    signal?.addEventListener('abort', abort, { once: true });
    if (signal?.aborted) abort();
    else hunt.start(question);
  });
  return searched.finally(() => Promise.all(threads.map(({ gone }) => gone)));
}

export const rationOnThread = (
  trip: Trip,
  shelf: readonly Gear[],
  options: RationOptions,
  signal?: AbortSignal,
): Promise<Result<Ration>> => alone<Ration>({ ask: 'ration', trip, shelf, options }, signal);

export const chanceOnThread = (
  trip: Trip,
  shelf: readonly Gear[],
  signal?: AbortSignal,
): Promise<Result<ChanceFound>> => alone<ChanceFound>({ ask: 'chance', trip, shelf }, signal);

/** One question on a thread of its own, ended with it. */
function alone<Value>(question: LoneQuestion, signal?: AbortSignal): Promise<Result<Value>> {
  return new Promise((resolve, reject) => {
    const end = () => {
      signal?.removeEventListener('abort', abort);
      thread.dismiss();
      return thread.gone;
    };
    const abort = () => void end().then(() => reject(signal?.reason as Error));
    const thread = hireThread(
      (answer: LoneAnswer) => {
        void end().then(() => resolve(answer as Result<Value>));
      },
      () => {
        void end().then(() => resolve(fail(STOPPED)));
      },
    );
    signal?.addEventListener('abort', abort, { once: true });
    if (signal?.aborted) abort();
    else thread.post(question);
  });
}
