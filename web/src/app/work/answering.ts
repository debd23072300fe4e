/// <reference lib="webworker" />
import type { Answered, Asked, Dropped } from './newest-worker';
import { WHOLE_WORKER, type Seat } from './seat';
import type { Answers, Work } from './work';

/** How long work goes on between two looks for a newer question, ms: a look takes some of its own. */
const LOOKS_EVERY_MS = 40;

/** The worker's side of questions that carry a number: see NewestWorker. A fault in the work is told where it sits. */
export function answering<Question, Answer>(
  work: Work<Question, Answer>,
  seat: Seat = WHOLE_WORKER,
): (event: MessageEvent<Asked<Question> | Dropped>) => void {
  let newest = 0;
  let lookedMs = performance.now();
  return ({ data: { number, question } }) => {
    newest = number;
    if (question === null) return;
    const answers: Answers<Answer> = {
      say: (answer, more = false, transfer = []) =>
        seat.say({ number, answer, more } satisfies Answered<Answer>, transfer),
      isNewest: async () => {
        if (performance.now() - lookedMs >= LOOKS_EVERY_MS) {
          await new Promise((resolved) => setTimeout(resolved));
          lookedMs = performance.now();
        }
        return newest === number;
      },
    };
    try {
      work(question, answers)?.catch((error: unknown) => seat.fail(error));
    } catch (error) {
      seat.fail(error);
    }
  };
}
