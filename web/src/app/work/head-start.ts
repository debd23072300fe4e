import type { Answered, Asked, Dropped } from './newest-worker';

/** What is wanted of a worker. */
export type Hired = Pick<Worker, 'postMessage' | 'onmessage' | 'onerror' | 'terminate'>;

/** Of a question nobody has asked yet; those of {@link NewestWorker} begin with 1. */
const AHEAD = 0;

/**
 * A worker that was asked before anybody wanted to know. Whoever asks the very same as the first question has its answer at once,
 * or as soon as it is there; after any other question it is a worker like all others.
 */
export class HeadStart<Question, Answer> implements Hired {
  onmessage: Hired['onmessage'] = null;
  onerror: Hired['onerror'] = null;
  private latest: Answered<Answer> | null = null;
  private number: number | null = null;
  private isFirst = true;
  /** Of a worker that died before anybody wanted to know. */
  private death: ErrorEvent | null = null;

  constructor(
    private readonly worker: Hired,
    private readonly ahead: Question,
    private readonly isSame: (a: Question, b: Question) => boolean,
    private readonly heard: (answer: Answer) => void = () => undefined,
  ) {
    worker.onmessage = (event: MessageEvent<Answered<Answer>>) => this.hear(event.data);
    worker.onerror = (event) => {
      if (this.onerror) this.fail(event);
      else this.death = event;
    };
    worker.postMessage({ number: AHEAD, question: ahead });
  }

  postMessage(asked: Asked<Question> | Dropped): void {
    const { death } = this;
    if (death) {
      setTimeout(() => this.fail(death));
      return;
    }
    const isAhead = this.isFirst && asked.question !== null && this.isSame(asked.question, this.ahead);
    this.isFirst = false;
    this.number = isAhead ? asked.number : null;
    if (!isAhead) this.worker.postMessage(asked);
    else if (this.latest) this.tell({ ...this.latest, number: asked.number });
    this.latest = null;
  }

  terminate(): void {
    this.worker.terminate();
  }

  private hear(answered: Answered<Answer>): void {
    if (answered.number !== AHEAD) return this.tell(answered);
    this.heard(answered.answer);
    if (this.isFirst) this.latest = answered;
    else if (this.number !== null) this.tell({ ...answered, number: this.number });
  }

  private fail(event: ErrorEvent): void {
    this.onerror?.call(this.worker as Worker, event);
  }

  private tell(data: Answered<Answer>): void {
    this.onmessage?.call(this.worker as Worker, { data } as MessageEvent<Answered<Answer>>);
  }
}
