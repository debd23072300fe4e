/// <reference lib="webworker" />
import type { Answered, Asked, Dropped } from './newest-worker';
import type { Work } from './work';

/** How long work goes on between two looks for a newer question, ms: a look takes some of its own. */
const LOOKS_EVERY_MS = 40;

/** The worker's side of questions that carry a number: see NewestWorker. A fault in the work ends the worker, which is told. */
export function answering<Question, Answer>(
  work: Work<Question, Answer>,
): (event: MessageEvent<Asked<Question> | Dropped>) => void {
  let newest = 0;
  let lookedMs = performance.now();
  return ({ data: { number, question } }) => {
    newest = number;
    if (question === null) return;
    const done = work(question, {
      say: (answer, more = false, transfer = []) => {
        const answered: Answered<Answer> = { number, answer, more };
        postMessage(answered, { transfer });
      },
      isNewest: async () => {
        if (performance.now() - lookedMs >= LOOKS_EVERY_MS) {
          await new Promise((resolved) => setTimeout(resolved));
          lookedMs = performance.now();
        }
        return newest === number;
      },
    });
    // What a promise swallows no page hears of.
    done?.catch((error: unknown) => {
      setTimeout(() => {
        throw error;
      });
    });
  };
}
