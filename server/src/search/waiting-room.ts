/** Lets so many in at once; the others wait in the order in which they came. */
export class WaitingRoom {
  private inside = 0;
  private readonly queue: (() => void)[] = [];

  /** @param most at once, 1 or more */
  constructor(readonly most: number) {}

  get waiting(): number {
    return this.queue.length;
  }

  get running(): number {
    return this.inside;
  }

  /**
   * Does a piece of work when its turn comes.
   *
   * @param told its place among those that wait, from 1, as it changes; never called where it goes in at once
   * @throws the signal's reason if it is aborted while it waits; then it has not begun
   */
  async run<Value>(
    work: () => Promise<Value>,
    { signal, told }: { readonly signal?: AbortSignal; readonly told?: (place: number) => void } = {},
  ): Promise<Value> {
    await this.enter(signal, told);
    try {
      return await work();
    } finally {
      this.inside -= 1;
      this.queue.shift()?.();
    }
  }

  private enter(signal?: AbortSignal, told?: (place: number) => void): Promise<void> {
    signal?.throwIfAborted();
    if (this.inside < this.most) {
      this.inside += 1;
      return Promise.resolve();
    }
    return new Promise((resolve, reject) => {
      const go = () => {
        signal?.removeEventListener('abort', leave);
        this.inside += 1;
        resolve();
      };
      const leave = () => {
        const place = this.queue.indexOf(go);
        if (place >= 0) this.queue.splice(place, 1);
        reject(signal?.reason as Error);
      };
      this.queue.push(go);
      told?.(this.queue.length);
      signal?.addEventListener('abort', leave, { once: true });
    });
  }
}
