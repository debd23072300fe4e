/// <reference lib="webworker" />

/** Where a kind of work speaks to whoever asked. */
export interface Seat {
  say(message: unknown, transfer?: Transferable[]): void;
  /** The work broke down over a question. */
  fail(error: unknown): void;
}

/** What comes from a desk of a thread in place of an answer where its work broke down. */
export interface Fault {
  readonly fault: string;
}

/** A worker that does one kind of work: where that breaks down it is told as any script's fault is. */
export const WHOLE_WORKER: Seat = {
  say: (message, transfer = []) => postMessage(message, { transfer }),
  // What a promise swallows no page hears of.
  fail: (error) => {
    setTimeout(() => {
      throw error;
    });
  },
};

/** A desk of a thread: the others hear nothing of what breaks down at it. */
export const seatAt = (port: MessagePort): Seat => ({
  say: (message, transfer = []) => port.postMessage(message, { transfer }),
  fail: (error) => port.postMessage({ fault: String(error) } satisfies Fault),
});
