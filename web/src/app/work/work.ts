import type { InParts } from '@knapsack/core';

/** What a worker does with a question of its kind: it answers once, or several times, surer or further each time. */
export type Work<Question, Answer> = (question: Question, answers: Answers<Answer>) => void | Promise<void>;

export interface Answers<Answer> {
  /**
   * @param more it is not the last answer to this question
   * @param transfer memory that is handed over instead of copied
   */
  say(answer: Answer, more?: boolean, transfer?: Transferable[]): void;
  /** Lets a newer question in, if there is one. @returns whether this one is still the newest: else nobody waits for more */
  isNewest(): Promise<boolean>;
}

/** Work in parts, with a look for a newer question after each. @returns whether it came to its end, and what it came to */
export async function whileNewest<Result>(
  work: InParts<Result>,
  isNewest: () => Promise<boolean>,
): Promise<{ readonly isDone: true; readonly is: Result } | { readonly isDone: false }> {
  for (;;) {
    const { done, value } = work.next();
    if (done) return { isDone: true, is: value };
    if (!(await isNewest())) return { isDone: false };
  }
}
