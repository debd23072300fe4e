import type { Hired } from './head-start';

/** What is asked of a worker, and what it answers: the number says which question it was. */
export interface Asked<Question> {
  readonly number: number;
  readonly question: Question;
}

/** Tells a worker that listens while it works that nobody waits for what was asked before. */
export type Dropped = Asked<null>;

export interface Answered<Answer> {
  readonly number: number;
  readonly answer: Answer;
  /** The answer is not the last one to this question. */
  readonly more?: boolean;
}

/** What comes of the questions. */
export interface Listener<Question, Answer> {
  /**
   * @param newest whether nothing newer has been asked meanwhile
   * @param question that it answers; null where that was dropped for a newer one
   */
  answered(answer: Answer, newest: boolean, question: Question | null): void;
  /** The worker died twice over the same kind of question. */
  failed(): void;
}

/**
 * A worker of which only the newest question matters. One is under way at a time; of those asked for meanwhile only the
 * newest is sent, so that dragging never builds a queue and an old answer never comes after a new one. A worker that listens
 * while it works (interruptible) is told of a newer question at once and drops the older.
 */
export class NewestWorker<Question, Answer> {
  private worker: Hired;
  private underWay: Asked<Question> | null = null;
  private next: Asked<Question> | null = null;
  private count = 0;
  private failures = 0;

  constructor(
    private readonly hire: () => Hired,
    private readonly listener: Listener<Question, Answer>,
    private readonly interruptible = false,
  ) {
    this.worker = this.start();
  }

  ask(question: Question): void {
    this.next = { number: ++this.count, question };
    this.send();
  }

  /** Nobody waits for what was asked: a worker that listens while it works stops at it, and leaves the processor to what is wanted. */
  drop(): void {
    this.next = null;
    if (!this.underWay || !this.interruptible) return;
    this.underWay = null;
    this.worker.postMessage({ number: ++this.count, question: null } satisfies Dropped);
  }

  dismiss(): void {
    this.worker.terminate();
  }

  private send(): void {
    if (!this.next || (this.underWay && !this.interruptible)) return;
    this.underWay = this.next;
    this.next = null;
    this.worker.postMessage(this.underWay);
  }

  private start(): Hired {
    const worker = this.hire();
    worker.onmessage = ({ data }: MessageEvent<Answered<Answer>>) => {
      const question = data.number === this.underWay?.number ? this.underWay.question : null;
      if (!data.more && question !== null) this.underWay = null;
      this.failures = 0;
      this.listener.answered(data.answer, data.number === this.count, question);
      this.send();
    };
    worker.onerror = (event) => {
      event.preventDefault();
      this.replaceWorker();
    };
    return worker;
  }

  /** A worker that died is replaced once for a question; a second death is told instead of tried for ever. */
  private replaceWorker(): void {
    this.worker.terminate();
    this.worker = this.start();
    this.failures += 1;
    const again = this.failures < 2 ? (this.next ?? this.underWay) : this.next;
    this.underWay = null;
    this.next = again;
    if (this.failures >= 2) this.listener.failed();
    this.send();
  }
}
