import { Worker } from 'node:worker_threads';

/** What a search makes and drops is small: a large nursery would only hold memory. */
const LEAN = { resourceLimits: { maxYoungGenerationSizeMb: 4 } };
const WORKER = new URL('./search-worker.js', import.meta.url);

/** What a thread says once it has loaded. */
export const READY = 'ready';

export interface Thread {
  post(message: unknown): void;
  dismiss(): void;
  /** Its memory and files are the system's again: after it was dismissed, or died. */
  readonly gone: Promise<void>;
}

/**
 * A thread for a search. One that is ended while it still loads leaves the files open that it was reading, so that an early end
 * waits until it has loaded; nobody hears of it any more.
 */
export function hireThread(answered: (message: never) => void, died: () => void): Thread {
  const worker = new Worker(WORKER, LEAN);
  let [isReady, isDismissed] = [false, false];
  worker.on('message', (message: unknown) => {
    if (message === READY) {
      isReady = true;
      if (isDismissed) void worker.terminate();
    } else if (!isDismissed) answered(message as never);
  });
  worker.on('error', () => {
    if (!isDismissed) died();
  });
  const gone = new Promise<void>((done) => worker.once('exit', () => done()));
  return {
    gone,
    post: (message) => worker.postMessage(message),
    dismiss: () => {
      isDismissed = true;
      if (isReady) void worker.terminate();
    },
  };
}
