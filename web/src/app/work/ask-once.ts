import { hireWorker, type WorkKind } from './hire';
import type { Answered, Asked } from './newest-worker';

/** Asks a worker of its own one question. @returns its only answer; fails where the worker dies over it */
export function askOnce<Question, Answer>(kind: WorkKind, question: Question): Promise<Answer> {
  const worker = hireWorker(kind);
  return new Promise<Answer>((answered, failed) => {
    worker.onmessage = ({ data }: MessageEvent<Answered<Answer>>) => answered(data.answer);
    worker.onerror = (event) => {
      event.preventDefault();
      failed(new Error(`The worker of ${kind} stopped.`));
    };
    worker.postMessage({ number: 1, question } satisfies Asked<Question>);
  }).finally(() => worker.terminate());
}
