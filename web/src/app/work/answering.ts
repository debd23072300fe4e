/// <reference lib="webworker" />
import type { Answered, Asked } from './newest-worker';
import type { Work } from './work';

/** The worker's side of questions that carry a number: see NewestWorker. A fault in the work ends the worker, which is told. */
export function answering<Question, Answer>(
  work: Work<Question, Answer>,
): (event: MessageEvent<Asked<Question>>) => void {
  let newest = 0;
  return ({ data: { number, question } }) => {
    newest = number;
    const done = work(question, {
      say: (answer, more = false, transfer = []) => {
        const answered: Answered<Answer> = { number, answer, more };
        postMessage(answered, { transfer });
      },
      isNewest: async () => {
        await new Promise((resolved) => setTimeout(resolved));
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
