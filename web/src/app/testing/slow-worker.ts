import type { Asked } from '../work/newest-worker';

/** A worker that answers when it is told to. */
export class SlowWorker<Question> {
  /** The one that was hired last, and how many were. */
  static last: SlowWorker<never> | null = null;
  static hired = 0;
  readonly sent: Asked<Question>[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: ((event: { preventDefault(): void }) => void) | null = null;

  constructor() {
    SlowWorker.last = this as unknown as SlowWorker<never>;
    SlowWorker.hired += 1;
  }

  static lastOf<Question>(): SlowWorker<Question> {
    return SlowWorker.last as unknown as SlowWorker<Question>;
  }

  postMessage = (asked: Asked<Question>) => this.sent.push(asked);
  terminate = () => undefined;

  answer(number: number, answer: unknown, more = false): void {
    this.onmessage?.({ data: { number, answer, more } });
  }

  die(): void {
    this.onerror?.({ preventDefault: () => undefined });
  }
}
