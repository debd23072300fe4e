import { DestroyRef, inject, Injectable, signal, untracked, type Signal } from '@angular/core';
import type { PlayedTruth } from '@knapsack/core';

const MINUTE_MS = 60_000;

/** The time that an outing goes by: the clock's, or that of a dry run. */
export abstract class OutingClock {
  /** The minute at hand, UTC epoch ms. */
  abstract readonly minuteMs: Signal<number>;
  /** What is true of the outing, where that is known: in a dry run. */
  abstract readonly truth: Signal<readonly PlayedTruth[]>;
  abstract now(): number;
}

/** The clock on the wall. */
@Injectable()
export class WallClock extends OutingClock {
  private readonly minute = signal(wholeMinute());
  readonly minuteMs = this.minute.asReadonly();
  readonly truth = signal<readonly PlayedTruth[]>([]).asReadonly();

  constructor() {
    super();
    const tick = setInterval(() => {
      const now = wholeMinute();
      if (now !== untracked(this.minute)) this.minute.set(now);
    }, MINUTE_MS / 4);
    inject(DestroyRef).onDestroy(() => clearInterval(tick));
  }

  now(): number {
    return Date.now();
  }
}

const wholeMinute = (): number => Math.floor(Date.now() / MINUTE_MS) * MINUTE_MS;
