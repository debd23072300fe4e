import { hireWorker, type WorkKind } from './hire';
import type { Answered, Asked } from './newest-worker';

/** Asks a worker one question after the other; it is hired with the first, and anew where it died over one. */
export class OneByOne<Question, Answer> {
  private worker: Worker | null = null;
  private queue: Promise<unknown> = Promise.resolve();

  constructor(private readonly kind: WorkKind) {}

  /** @returns the answer, once those before it have theirs; fails where the worker dies over it */
  ask(question: Question): Promise<Answer> {
    const answer = this.queue.then(() => this.post(question));
    this.queue = answer.catch(() => undefined);
    return answer;
  }

  dismiss(): void {
    this.worker?.terminate();
    this.worker = null;
  }

  private post(question: Question): Promise<Answer> {
    const worker = (this.worker ??= hireWorker(this.kind));
    return new Promise((done, failed) => {
      worker.onmessage = ({ data }: MessageEvent<Answered<Answer>>) => done(data.answer);
      worker.onerror = (event) => {
        event.preventDefault();
        this.dismiss();
        failed(new Error('The calculation stopped by a fault in Knapsack.'));
      };
      worker.postMessage({ number: 1, question } satisfies Asked<Question>);
    });
  }
}
