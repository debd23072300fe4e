import { Worker } from 'node:worker_threads';

/** What a search makes and drops is small: a large nursery would only hold memory. */
const LEAN = { resourceLimits: { maxYoungGenerationSizeMb: 4 } };
const WORKER = new URL('./search-worker.js', import.meta.url);

/** What a thread says once it has loaded. */
export const READY = 'ready';
/** What asks a thread to end once it has done what it is at. */
export const END = 'end';
/** Milliseconds until a thread that was asked to end is ended. */
const PATIENCE = 250;

export interface Thread {
  post(message: unknown): void;
  dismiss(): void;
  /** Its memory and files are the system's again: after it was dismissed, or died. */
  readonly gone: Promise<void>;
}

/**
 * A thread for a search. To end, it is asked first, since Node.js 20 can fall over a thread that is ended while its code is still
 * compiled; one that is busy is ended all the same. One that is ended while it still loads leaves the files open that it was
 * reading, so that the end waits until it has loaded. Nobody hears of a thread that was dismissed.
 */
export function hireThread(answered: (message: never) => void, died: () => void): Thread {
  const worker = new Worker(WORKER, LEAN);
  let [isReady, isDismissed] = [false, false];
  const gone = new Promise<void>((done) => worker.once('exit', () => done()));
  const end = () => {
    worker.postMessage(END);
    const firmly = setTimeout(() => void worker.terminate(), PATIENCE);
    void gone.then(() => clearTimeout(firmly));
  };
  worker.on('message', (message: unknown) => {
    if (message === READY) {
      isReady = true;
      if (isDismissed) end();
    } else if (!isDismissed) answered(message as never);
  });
  worker.on('error', () => {
    if (!isDismissed) died();
  });
  return {
    gone,
    post: (message) => worker.postMessage(message),
    dismiss: () => {
      if (isReady && !isDismissed) end();
      isDismissed = true;
    },
  };
}
